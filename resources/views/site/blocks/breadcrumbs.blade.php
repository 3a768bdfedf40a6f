<nav class="breadcrumbs" aria-label="@plain('page.breadcrumbs')">
    <ol>
        @foreach ($crumbs as $crumb)
            <li><a href="{{ $crumb['address'] }}">{{ $crumb['label'] }}</a></li>
        @endforeach
        <li aria-current="page">{{ $title }}</li>
    </ol>
</nav>
@php($site = rtrim(config('app.url'), '/'))
@include('site.structured', ['data' => [
    '@context' => 'https://schema.org',
    '@type' => 'BreadcrumbList',
    'itemListElement' => array_map(
        fn (array $crumb, int $i): array => [
            '@type' => 'ListItem', 'position' => $i + 1, 'name' => $crumb['label'], 'item' => $site.$crumb['address'],
        ],
        [...$crumbs, ['label' => $title, 'address' => $address->path]],
        array_keys([...$crumbs, $title]),
    ),
]])
