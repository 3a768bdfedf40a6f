<?php

declare(strict_types=1);

namespace App\Site\Listings;

use Wellspring\Core\Choice\Facet;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Run\Result;

/** An unsaved module with the result of its run. */
final readonly class ListingPreview
{
    /** @param  list<Facet>  $facets  the options of its filters */
    public function __construct(public Module $module, public Result $result, public array $facets = [])
    {
    }
}
