@include('site.filters.options', ['type' => 'checkbox'])
