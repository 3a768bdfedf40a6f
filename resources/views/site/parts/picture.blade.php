@php($media = $shown->pictures[$made->text] ?? null)
@if ($media !== null)
    @if ($card->address === '')
        <span class="picture">@include('site.picture', ['media' => $media, 'alt' => '', 'sizes' => $shown->pictureSizes(), 'lazy' => true])</span>
    @else
        <a class="picture" href="{{ $card->address }}" tabindex="-1" aria-hidden="true">@include('site.picture', ['media' => $media, 'alt' => '', 'sizes' => $shown->pictureSizes(), 'lazy' => true])</a>
    @endif
@endif
