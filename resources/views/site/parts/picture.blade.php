@php($media = $shown->assets->picture($made))
@php($picture = ['media' => $media, 'alt' => '', 'sizes' => $shown->pictureSizes(), 'lazy' => true])
@if ($media !== null)
    @if ($card->address === '')
        <span @class(['picture', ...$style->classes()])>@include('site.picture', $picture)</span>
    @else
        <a @class(['picture', ...$style->classes()]) href="{{ $card->address }}" tabindex="-1" aria-hidden="true"
            >@include('site.picture', $picture)</a>
    @endif
@endif
