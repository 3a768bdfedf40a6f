@php($slot = fn (string $key): string => implode('', array_column($frame[$key] ?? [], 'html')))
<!doctype html>
<html lang="{{ $site->locale }}" dir="{{ $site->direction() }}">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>@yield('title')@hasSection('title') · @endif{{ $site->name }}</title>
    @yield('head')
    <meta name="site-words" content="{{ App\Wording\SiteText::forScripts() }}">
    <link rel="icon" href="/wellspring.svg" type="image/svg+xml">
    @foreach ($lookFonts as $font)
        <link rel="preload" href="{{ $font }}" as="font" type="font/woff2" crossorigin>
    @endforeach
    <link rel="stylesheet" href="{{ $lookSheet }}">
    @stack('scripts')
</head>
<body>
<a class="skip" href="#content">@say('page.skip')</a>
@yield('bar')
<header class="site-head">
    <div class="wrap">
        <a class="site-name" href="/">{{ $site->name }}</a>
        {{-- On a phone it opens the menus after it; elsewhere it is not shown. It needs no script. --}}
        @if (str_contains($slot('header'), '<nav class="menu"'))
            <details class="menu-button"><summary>@say('page.menu')</summary></details>
        @endif
        {!! $slot('header') !!}
    </div>
</header>
@if (isset($frame['before']))<div class="frame-before wrap">{!! $slot('before') !!}</div>@endif
@if (isset($frame['side']))
    <div class="wrap with-side">
        <main id="content">@yield('content')</main>
        <aside class="frame-side">{!! $slot('side') !!}</aside>
    </div>
@else
    <main id="content" class="wrap">@yield('content')</main>
@endif
@if (isset($frame['after']))<div class="frame-after wrap">{!! $slot('after') !!}</div>@endif
<footer class="site-foot">
    <div class="wrap">
        {!! $slot('footer') !!}
        <p>{{ $site->name }}</p>
    </div>
</footer>
</body>
</html>
