@php($media = $shown->pictures[$made->text] ?? null)
@if ($media !== null)
    <a class="picture" href="{{ $card->address }}" tabindex="-1" aria-hidden="true"><img src="{{ $media->url() }}" alt="" width="{{ $media->width }}" height="{{ $media->height }}" loading="lazy"></a>
@endif
