@php($cut = $media->focus_x !== 0.5 || $media->focus_y !== 0.5)
<picture>
    <source type="image/webp" srcset="{{ $media->srcset(true) }}" sizes="{{ $sizes }}">
    <img @isset($class) class="{{ $class }}" @endisset src="{{ $media->plainUrl() }}" srcset="{{ $media->srcset(false) }}" sizes="{{ $sizes }}" alt="{{ $alt }}" width="{{ $media->width }}" height="{{ $media->height }}" @if ($cut) style="object-position: {{ $media->focus() }}" @endif @if ($lazy) loading="lazy" @endif>
</picture>
