@php($media = $shown->pictures[$made->text] ?? null)
@php($picture = ['media' => $media, 'alt' => '', 'sizes' => $shown->pictureSizes(), 'lazy' => true])
@if ($media !== null)
    @if ($card->address === '')
        <span class="picture">@include('site.picture', $picture)</span>
    @else
        <a class="picture" href="{{ $card->address }}" tabindex="-1" aria-hidden="true"
            >@include('site.picture', $picture)</a>
    @endif
@endif
