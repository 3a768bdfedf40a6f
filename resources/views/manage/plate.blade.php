{{-- The site's own parts, which the notes of the look are about. --}}
<!doctype html>
<html lang="{{ $site->locale }}" dir="{{ $site->direction() }}">
<head>
    <meta charset="utf-8">
    <title>{{ $site->name }}</title>
    <link rel="stylesheet" href="{{ $sheet }}">
</head>
<body>
<main id="content" class="wrap">
    <div class="page-head">
        <h1 data-note="headings">{{ $site->name }}</h1>
        <p class="intro" data-note="text">Grown on our own benches, and packed in straw.</p>
        <p class="line"><a href="#" data-note="links">How we grow</a></p>
        <div class="option" data-note="choices"><label><input type="checkbox" checked> <span class="label">Shade</span>
            </label></div>
    </div>
    <div class="module">
        <ul class="cards as-grid gap-normal shape-landscape crop-fill align-start phone-3 tablet-3 laptop-3 desktop-3">
            @foreach (['Clematis', 'Barrenwort', 'Delphinium'] as $i => $name)
                <li class="card">
                    <div class="line line-picture">
                        <a class="picture" href="#" @if ($i === 0) data-note="pictures" @endif
                            >@isset($pictures[$i])@include('site.picture', [
                                'media' => $pictures[$i], 'alt' => '', 'sizes' => '30vw', 'lazy' => false,
                            ])@endisset</a>
                    </div>
                    <div class="line"><h3 class="part title" @if ($i === 0) data-note="pointed" @endif><a
                        href="#">{{ $name }}</a></h3></div>
                    <div class="line" @if ($i === 0) data-note="cards" @endif>
                        <span class="part price"><span class="now">£4.80</span> <s class="former">£6.50</s></span>
                    </div>
                    @if ($i < 2)
                        <div class="line"><span class="part badge tag tone-accent"
                            @if ($i === 0) data-note="badges" @endif>{{ ['New', 'Few left'][$i] }}</span></div>
                    @endif
                </li>
            @endforeach
        </ul>
    </div>
    <div class="band band-quiet" data-note="divider">
        <p class="intro">Plots to rent, by the year.</p>
        <p class="line"><a class="button" href="#" data-note="buttons">Book a plot</a></p>
    </div>
</main>
</body>
</html>
