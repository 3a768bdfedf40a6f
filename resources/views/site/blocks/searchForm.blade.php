<section class="search-form" data-search-form>
    <form id="{{ $choices->form() }}" method="get" action="{{ $choices->path() }}#{{ $choices->anchor }}"
        data-choices="{{ $choices->offer->key }}"></form>
    @include('site.filters.panel', ['suffix' => '-form', 'submit' => $button])
</section>
