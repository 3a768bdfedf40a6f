<section class="filters-block" aria-label="Filters">
    @include('site.filters.panel', ['suffix' => '-block'])
</section>
