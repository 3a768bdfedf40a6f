@php($media = $shown->pictures[$made->text] ?? null)
@if ($media !== null)
    <a class="picture" href="{{ $card->address }}" tabindex="-1" aria-hidden="true">@include('site.picture', ['media' => $media, 'alt' => '', 'sizes' => $shown->pictureSizes(), 'lazy' => true])</a>
@endif
