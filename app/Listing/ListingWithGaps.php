<?php

declare(strict_types=1);

namespace App\Listing;

use Wellspring\Core\Run\Result;

/** A run with the gaps in its cards. */
final readonly class ListingWithGaps
{
    /**
     * @param  array<string, int>  $emptyParts  the number of passing records that have nothing to show in each part, by
     *   the part's place in the definition
     * @param  int  $emptyAny  the number of passing records with at least one gap
     */
    public function __construct(public Result $result, public array $emptyParts, public int $emptyAny)
    {
    }
}
