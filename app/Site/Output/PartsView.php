<?php

declare(strict_types=1);

namespace App\Site\Output;

/** What parts that stand on a page by themselves need beside their card. */
final readonly class PartsView
{
    public function __construct(public CardAssets $assets)
    {
    }

    /** How wide its pictures stand, for the browser to choose by. */
    public function pictureSizes(): string
    {
        return '(min-width: 1024px) 45vw, 92vw';
    }
}
