<ul>
    @foreach ($entries as $entry)
        @php($isAbove = $entry->holdsCurrent() || str_starts_with("{$path}/", rtrim($entry->address, '/').'/'))
        <li>
            <a href="{{ $entry->address }}"
                @if ($entry->isCurrent) aria-current="page"
                @elseif ($isAbove && $entry->address !== '/') aria-current="true" @endif>{{ $entry->label }}</a>
            @if ($entry->entries !== [])
                @include('site.menu', ['entries' => $entry->entries, 'path' => $path])
            @endif
        </li>
    @endforeach
</ul>
