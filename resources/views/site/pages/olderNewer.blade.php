<nav class="pages" aria-label="Pages of {{ $module->name }}">
    @if ($shown->page > 1)<a rel="prev" href="{{ $shown->pageAddress($shown->page - 1) }}">Newer</a>@endif
    @if ($shown->page < $shown->pages)<a rel="next" href="{{ $shown->pageAddress($shown->page + 1) }}">Older</a>@endif
</nav>
