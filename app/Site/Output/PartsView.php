<?php

declare(strict_types=1);

namespace App\Site\Output;

/** What parts outside a listing need besides their card. */
final readonly class PartsView
{
    public function __construct(public CardAssets $assets)
    {
    }

    /** The `sizes` attribute of its pictures. */
    public function pictureSizes(): string
    {
        return '(min-width: 1024px) 45vw, 92vw';
    }
}
