<!doctype html>
<html lang="{{ str_replace('_', '-', config('site.locale')) }}">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>@yield('title')@hasSection('title') · @endif{{ config('site.name') }}</title>
    <link rel="icon" href="/wellspring.svg" type="image/svg+xml">
    @vite('resources/css/site.css')
    @stack('scripts')
</head>
<body>
<a class="skip" href="#content">Skip to the content</a>
<header class="site-head">
    <div class="wrap">
        <a class="site-name" href="/">{{ config('site.name') }}</a>
        <nav aria-label="Main">
            @foreach ($frame->links as $link)
                <a href="{{ $link->address }}"
                    @if ($frame->isAt($link->address)) aria-current="page" @endif>{{ $link->title }}</a>
            @endforeach
            <a href="/search" @if ($frame->isAt('/search')) aria-current="page" @endif>Search</a>
        </nav>
    </div>
</header>
<main id="content" class="wrap">
    @yield('content')
</main>
<footer class="site-foot">
    <div class="wrap"><p>{{ config('site.name') }}</p></div>
</footer>
</body>
</html>
