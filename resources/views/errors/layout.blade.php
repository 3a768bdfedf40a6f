{{-- Without the site's name and navigation, so that it can be shown while the database cannot be asked. --}}
<!doctype html>
<html lang="{{ App\Wording\SiteText::words()->spoken() }}">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="robots" content="noindex">
    <title>@yield('title') · {{ request()->getHost() }}</title>
    <link rel="icon" href="/wellspring.svg" type="image/svg+xml">
    @vite('resources/css/error.css')
</head>
<body>
<header class="site-head">
    <div class="wrap"><a class="site-name" href="/">{{ request()->getHost() }}</a></div>
</header>
<main id="content" class="wrap">
    <div class="page-head">
        <h1>@yield('title')</h1>
        <p class="intro">@yield('advice')</p>
    </div>
</main>
</body>
</html>
