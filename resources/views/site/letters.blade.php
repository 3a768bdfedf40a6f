{{-- An index: the letters that the page's records begin with lead to them. --}}
<nav class="letters" aria-label="@plain('listing.letters', ['listing' => $shown->module->name])">
    <ul>
        @foreach ($shown->letters() as $i => $letter)
            <li><a href="#{{ $shown->anchor }}-{{ $i + 1 }}">{{ $letter }}</a></li>
        @endforeach
    </ul>
</nav>
