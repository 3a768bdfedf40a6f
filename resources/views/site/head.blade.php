{{-- What search engines and those who share the page are told of it. --}}
@php($origin = rtrim(config('app.url'), '/'))
<link rel="canonical" href="{{ $origin.$address }}">
@if ($description !== '')
    <meta name="description" content="{{ $description }}">
    <meta property="og:description" content="{{ $description }}">
@endif
<meta property="og:title" content="{{ $title }}">
<meta property="og:site_name" content="{{ $site->name }}">
<meta property="og:type" content="website">
<meta property="og:url" content="{{ $origin.$address }}">
@if ($picture !== null)
    <meta property="og:image" content="{{ $origin }}/media/{{ rawurlencode($picture) }}">
@endif
