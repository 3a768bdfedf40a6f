<?php

declare(strict_types=1);

namespace App\Site;

/** A block of a page as it goes out. */
final readonly class DrawnBlock
{
    /**
     * @param  string  $html  safe: made by a view or an output
     * @param  bool  $usesScript  whether the page's script makes it better
     */
    public function __construct(public string $html, public bool $usesScript = false)
    {
    }
}
