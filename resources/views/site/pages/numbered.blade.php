<nav class="pages" aria-label="Pages of {{ $module->name }}">
    @if ($shown->page > 1)<a rel="prev" href="{{ $shown->pageAddress($shown->page - 1) }}">Previous</a>@endif
    @foreach ($shown->numbers as $number)
        @if ($number === null)
            <span class="gap" aria-hidden="true">…</span>
        @elseif ($number === $shown->page)
            <span class="here" aria-current="page">{{ $number }}</span>
        @else
            <a href="{{ $shown->pageAddress($number) }}" aria-label="Page {{ $number }}">{{ $number }}</a>
        @endif
    @endforeach
    @if ($shown->page < $shown->pages)<a rel="next" href="{{ $shown->pageAddress($shown->page + 1) }}">Next</a>@endif
</nav>
