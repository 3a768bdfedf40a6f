<nav class="pages" aria-label="@plain('listing.pages', ['listing' => $module->name])">
    @if ($shown->page > 1)<a rel="prev" href="{{ $shown->pageAddress($shown->page - 1) }}"
        >@say('listing.previous')</a>@endif
    @foreach ($shown->numbers as $number)
        @if ($number === null)
            <span class="gap" aria-hidden="true">…</span>
        @elseif ($number === $shown->page)
            <span class="here" aria-current="page">{{ $number }}</span>
        @else
            <a href="{{ $shown->pageAddress($number) }}"
                aria-label="@plain('listing.page', ['number' => $number])">{{ $number }}</a>
        @endif
    @endforeach
    @if ($shown->page < $shown->pages)<a rel="next" href="{{ $shown->pageAddress($shown->page + 1) }}"
        >@say('listing.next')</a>@endif
</nav>
