{{-- Links to the pages themselves; site.ts adds what they hold to the end of the list instead. --}}
<nav class="pages more" aria-label="@plain('listing.pages', ['listing' => $module->name])"
    data-more="{{ $shown->anchor }}"
    @if ($module->page->mode->value === 'continuous') data-loads="{{ $module->page->loads }}" @endif>
    @if ($shown->page > 1)<a rel="prev" href="{{ $shown->pageAddress($shown->page - 1) }}"
        >@say('listing.back')</a>@endif
    @if ($shown->page < $shown->pages)<a rel="next" href="{{ $shown->pageAddress($shown->page + 1) }}"
        >@say('listing.more')</a>@endif
</nav>
