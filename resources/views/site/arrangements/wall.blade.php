@php($values = $shown->module->arrange->values)
<ul @class([...$shown->listClasses(), 'with-captions' => $values->flag('captions')]) data-wall
    @if (! $values->flag('playWhenOpened')) data-play-by-hand @endif
    @if ($values->flag('closeAtEnd')) data-close-at-end @endif>
    @foreach ($cards as $card)
        @php($made = $card->picture())
        @php($media = $made === null ? null : $shown->assets->picture($made))
        @php($video = $made === null ? null : $shown->assets->video($made))
        @php($frame = $made === null ? null : $shown->assets->frame($made))
        <li class="card">
            @if ($media === null)
                @include('site.card')
            @else
                <a class="large-view" href="{{ $video ?? $media->plainUrl() }}"
                    data-caption="{{ $card->title()->text ?? '' }}"
                    data-description="{{ $card->description() }}"
                    @if ($video !== null) data-video @endif
                    @if ($frame !== null) data-frame="{{ $frame }}" @endif
                    data-width="{{ $media->width }}" data-height="{{ $media->height }}"
                    @if ($card->address !== '') data-page="{{ $card->address }}" @endif>
                    <span class="picture">@include('site.picture', [
                        'media' => $media,
                        'alt' => $media->alt ?: ($card->title()->text ?? ''),
                        'sizes' => $shown->pictureSizes(),
                        'lazy' => true,
                    ])@if ($video !== null)<span class="play-mark" aria-hidden="true"></span>@endif</span>
                </a>
                @if ($values->flag('captions'))
                    @include('site.card', ['card' => $card->withoutPictures()])
                @endif
            @endif
        </li>
    @endforeach
</ul>
