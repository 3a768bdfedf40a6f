@php($values = $shown->module->arrange->values)
<ul @class([...$shown->listClasses(), 'with-captions' => $values->flag('captions')]) data-wall
    @if ($values->flag('closeAtEnd')) data-close-at-end @endif>
    @foreach ($cards as $card)
        @php($made = $card->picture())
        @php($media = $made === null ? null : $shown->assets->picture($made))
        @php($video = $made === null ? null : $shown->assets->video($made))
        <li class="card">
            @if ($media === null)
                @include('site.card')
            @else
                <a class="large-view" href="{{ $video ?? $media->plainUrl() }}"
                    data-caption="{{ $card->title()->text ?? '' }}"
                    @if ($video !== null) data-video @endif
                    data-width="{{ $media->width }}" data-height="{{ $media->height }}"
                    @if ($card->address !== '') data-page="{{ $card->address }}" @endif>
                    <span class="picture">@include('site.picture', [
                        'media' => $media,
                        'alt' => $media->alt ?: ($card->title()->text ?? ''),
                        'sizes' => $shown->pictureSizes(),
                        'lazy' => true,
                    ])</span>
                </a>
                @if ($values->flag('captions'))
                    @include('site.card', ['card' => $card->withoutPictures()])
                @endif
            @endif
        </li>
    @endforeach
</ul>
