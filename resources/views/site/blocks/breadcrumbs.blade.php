<nav class="breadcrumbs" aria-label="Breadcrumbs">
    <ol>
        @foreach ($crumbs as $crumb)
            <li><a href="{{ $crumb['address'] }}">{{ $crumb['label'] }}</a></li>
        @endforeach
        <li aria-current="page">{{ $title }}</li>
    </ol>
</nav>
