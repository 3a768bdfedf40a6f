@include('site.filters.links', ['class' => 'choice-tabs'])
