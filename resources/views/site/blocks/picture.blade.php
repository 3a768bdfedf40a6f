<figure @class(['block-picture', ...$classes ?? []])>
    @include('site.picture', [
        'media' => $media,
        'class' => 'item-picture',
        'alt' => $media->alt,
        'sizes' => '(min-width: 1024px) 60vw, 92vw',
        'lazy' => $lazy ?? true,
    ])
</figure>
