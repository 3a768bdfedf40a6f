@include('site.filters.links', ['class' => 'choice-buttons'])
