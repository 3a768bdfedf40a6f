<?php

declare(strict_types=1);

namespace App\Site\Output;

use App\Models\Media;

/** What parts that stand on a page by themselves need beside their card. */
final readonly class PartsView
{
    /** @param  array<string, Media>  $pictures  by name */
    public function __construct(public array $pictures)
    {
    }

    /** How wide its pictures stand, for the browser to choose by. */
    public function pictureSizes(): string
    {
        return '(min-width: 1024px) 45vw, 92vw';
    }
}
