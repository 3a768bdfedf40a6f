<section class="for-authors" aria-label="@plain('author.title')">
    <p>
        @foreach ($types as $type)
            <a class="button" href="/manage/content/{{ $type->key }}/new"
                >@say('author.write', ['type' => mb_strtolower($type->label)])</a>
        @endforeach
    </p>
    @foreach ($lists as $title => $items)
        <p><strong>@say($title)</strong></p>
        <ul>
            @foreach ($items as $item)
                <li><a href="{{ $item['address'] }}">{{ $item['title'] }}</a></li>
            @endforeach
        </ul>
    @endforeach
</section>
