<figure class="block-picture">
    @include('site.picture', [
        'media' => $media,
        'alt' => $media->alt,
        'sizes' => '(min-width: 1024px) 60vw, 92vw',
        'lazy' => $lazy ?? true,
    ])
</figure>
