<picture>
    <source type="image/webp" srcset="{{ $media->srcset(true) }}" sizes="{{ $sizes }}">
    <img @class(array_filter([$class ?? '', ...$media->focusClasses()]))
        src="{{ $media->plainUrl() }}" srcset="{{ $media->srcset(false) }}" sizes="{{ $sizes }}" alt="{{ $alt }}"
        width="{{ $media->width }}" height="{{ $media->height }}" @if ($lazy) loading="lazy" @endif>
</picture>
