<?php

declare(strict_types=1);

namespace App\Site;

use App\Freshness\Dependencies;
use App\Freshness\ReadMarks;
use App\Listing\Cache\CachedListing;
use App\Listing\Facets\CachedFacets;
use App\Listing\Facets\FacetCounter;
use App\Listing\Sources;
use Wellspring\Core\Choice\Facet;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Run\Result;

/** Runs modules for an output. */
final readonly class Listings
{
    public function __construct(
        private CachedListing $listing,
        private CachedFacets $cachedFacets,
        private Sources $sources,
        private FacetCounter $facets,
    ) {
    }

    /**
     * A page of the module, as visitors get it: cached where that is right.
     *
     * @param  string  $page  the number that the address asks for
     * @param  ReadMarks|null  $marks  of this module and others; null: they are read here
     *
     * @throws NoSuchPage
     */
    public function show(
        Module $module,
        PageAddress $address,
        Context $context,
        string $page,
        Dependencies $dependencies,
        ?ReadMarks $marks = null,
    ): ListingResult {
        $facets = $this->cachedFacets->of($module, $context, $marks);
        $listed = self::listed($facets);
        $result = $this->listing->show($module, $context, $page, $dependencies, $marks, $listed);
        $records = $this->listing->records($module, $result->keys, $module->shownCard->fields(), $context, $marks);

        return self::result($module, $address, $context, $result, $records, $facets);
    }

    /**
     * How many records are left after step 5, pins included, where a filter tells of which nothing is chosen.
     *
     * @param  list<Facet>  $facets
     */
    private static function listed(array $facets): ?int
    {
        foreach ($facets as $facet) {
            if ($facet->chosen === null) {
                return $facet->left;
            }
        }

        return null;
    }

    /**
     * What stands before and after a record among all that the module shows.
     *
     * @return array{previous: Record|null, next: Record|null}
     */
    public function neighbours(Module $module, int $id, Context $context, Dependencies $dependencies): array
    {
        $keys = $this->listing->neighbours($module, $id, $context, $dependencies);
        $records = [];
        foreach ($this->sources->records($module->source, array_values(array_filter($keys)), [], $context) as $record) {
            $records[$record->id] = $record;
        }

        return [
            'previous' => $records[$keys['previous']?->id] ?? null,
            'next' => $records[$keys['next']?->id] ?? null,
        ];
    }

    /** @return list<Facet> what a module's filters have to choose, counted anew */
    public function facets(Module $module, Context $context): array
    {
        $bound = $module->bound($context);

        return $this->facets->of($bound, $context, $module->follows === null ? $bound->offer->filters ?? [] : []);
    }

    /**
     * A module with what a run of it gave: a preview, of which nothing is cached.
     *
     * @param  list<Facet>  $facets  what its filters have to choose
     */
    public function of(
        Module $module,
        PageAddress $address,
        Context $context,
        Result $result,
        array $facets,
    ): ListingResult {
        $records = $this->sources->records($module->source, $result->keys, $module->shownCard->fields(), $context);

        return self::result($module, $address, $context, $result, $records, $facets);
    }

    /**
     * @param  list<Record>  $records  of the result's keys
     * @param  list<Facet>  $facets
     */
    private static function result(
        Module $module,
        PageAddress $address,
        Context $context,
        Result $result,
        array $records,
        array $facets,
    ): ListingResult {
        $own = $module->bound($context);

        return new ListingResult($own, $module, $result, $records, $context, $address, $module->name, $facets);
    }
}
