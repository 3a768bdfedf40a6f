<?php

declare(strict_types=1);

namespace App\Listing;

use Wellspring\Core\Run\Result;

/** A run with what its card leaves empty. */
final readonly class ListingWithGaps
{
    /**
     * @param  array<string, int>  $emptyParts  how many of the records that pass the rules have nothing to show in
     *   each part, by its place in the definition
     * @param  int  $emptyAny  how many have nothing in at least one
     */
    public function __construct(public Result $result, public array $emptyParts, public int $emptyAny)
    {
    }
}
