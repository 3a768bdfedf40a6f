<nav class="pages" aria-label="@plain('listing.pages', ['listing' => $module->name])">
    @if ($shown->page > 1)<a rel="prev" href="{{ $shown->pageAddress($shown->page - 1) }}"
        >@say('listing.newer')</a>@endif
    @if ($shown->page < $shown->pages)<a rel="next" href="{{ $shown->pageAddress($shown->page + 1) }}"
        >@say('listing.older')</a>@endif
</nav>
