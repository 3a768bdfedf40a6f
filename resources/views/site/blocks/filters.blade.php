<section @class(['filters-block', 'choices-drawer' => $isDrawer]) aria-label="@plain('choices.filters')">
    @if ($isDrawer)
        <div class="choose" id="{{ $choices->anchor }}-choose">
            @include('site.filters.drawer-head')
            @include('site.filters.panel', ['suffix' => '-block'])
        </div>
    @else
        @include('site.filters.panel', ['suffix' => '-block'])
    @endif
</section>
