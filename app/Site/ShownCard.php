<?php

declare(strict_types=1);

namespace App\Site;

use Wellspring\Core\Card\MadePart;

/** One card with the address of its item's own page. */
final readonly class ShownCard
{
    /** @param  list<non-empty-list<MadePart>>  $lines */
    public function __construct(public string $address, public array $lines)
    {
    }
}
