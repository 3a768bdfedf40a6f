<?php

declare(strict_types=1);

namespace App\Site\Listings;

use Wellspring\Core\Choice\Facet;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Run\Result;

/** A module that nobody has saved, with what a run of it gave. */
final readonly class ListingPreview
{
    /** @param  list<Facet>  $facets  what its filters have to choose */
    public function __construct(public Module $module, public Result $result, public array $facets = [])
    {
    }
}
