<section class="for-authors" aria-label="For authors">
    <p>
        @foreach ($types as $type)
            <a class="button" href="/manage/content/{{ $type->key }}/new">Write a new {{
                mb_strtolower($type->label) }}</a>
        @endforeach
    </p>
    @foreach ($lists as $title => $items)
        <p><strong>{{ $title }}</strong></p>
        <ul>
            @foreach ($items as $item)
                <li><a href="{{ $item['address'] }}">{{ $item['title'] }}</a></li>
            @endforeach
        </ul>
    @endforeach
</section>
