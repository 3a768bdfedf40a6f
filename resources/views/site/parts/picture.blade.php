@php($media = $shown->assets->picture($made))
@php($picture = ['media' => $media, 'alt' => '', 'sizes' => $shown->pictureSizes(), 'lazy' => true])
@php($pictureClass = trim("picture {$style->classes}"))
@if ($media !== null)
    @if ($card->address === '')
        <span class="{{ $pictureClass }}">@include('site.picture', $picture)</span>
    @else
        <a class="{{ $pictureClass }}" href="{{ $card->address }}" tabindex="-1" aria-hidden="true"
            >@include('site.picture', $picture)</a>
    @endif
@endif
