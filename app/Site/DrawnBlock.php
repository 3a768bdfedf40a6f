<?php

declare(strict_types=1);

namespace App\Site;

/** A block of a page as it goes out. */
final readonly class DrawnBlock
{
    /** @param  string  $html  safe: made by a view or an output */
    public function __construct(public string $html)
    {
    }
}
