<?php

declare(strict_types=1);

namespace App\Site\Listings;

use App\Freshness\Dependencies;
use App\Freshness\ReadMarks;
use App\Listing\Cache\CachedListing;
use App\Listing\Cache\ListingDependencies;
use App\Listing\Facets\CachedFacets;
use App\Listing\Facets\FacetCounter;
use App\Listing\Sources;
use App\Site\Address\PageAddress;
use Wellspring\Core\Choice\Facet;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Run\Result;

/** Runs modules for an output. */
final readonly class VisitorListings
{
    public function __construct(
        private CachedListing $listing,
        private CachedFacets $cachedFacets,
        private Sources $sources,
        private FacetCounter $facets,
        private ListingDependencies $dependencies,
    ) {
    }

    /**
     * A single module, with marks read for it alone. See show().
     *
     * @throws NoSuchPage
     */
    public function showAlone(
        Module $module,
        PageAddress $address,
        Context $context,
        string $page,
        Dependencies $dependencies,
    ): VisitorListing {
        $bound = $module->bound($context);
        $marks = $this->dependencies->marksOf([$bound]);

        return $this->show($bound, $address, $context, $page, $dependencies, $marks);
    }

    /**
     * A page of the module as visitors get it, from the cache if possible.
     *
     * @param  string  $page  the page number in the address
     * @param  ReadMarks  $marks  of this module and others
     *
     * @throws NoSuchPage
     */
    public function show(
        BoundModule $module,
        PageAddress $address,
        Context $context,
        string $page,
        Dependencies $dependencies,
        ReadMarks $marks,
    ): VisitorListing {
        $facets = $this->cachedFacets->of($module, $context, $marks);
        $listed = self::listed($facets);
        $result = $this->listing->show($module, $context, $page, $dependencies, $marks, $listed);
        $records = $this->listing->records($module, $result->keys, $module->shownCard->fields(), $context, $marks);

        return self::result($module, $address, $context, $result, $records, $facets);
    }

    /**
     * The number of records after step 5, pins included, from the counts of a filter without a choice.
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
     * The records before and after a record, among all records of the module.
     *
     * @return array{previous: Record|null, next: Record|null}
     */
    public function neighbours(BoundModule $module, int $id, Context $context, Dependencies $dependencies): array
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
    public function facets(BoundModule $module, Context $context): array
    {
        return $this->facets->of($module, $context, $module->follows === null ? $module->offer->filters ?? [] : []);
    }

    /**
     * A module with the result of a run, for previews. Nothing is cached.
     *
     * @param  list<Facet>  $facets  the options of its filters
     */
    public function of(
        BoundModule $module,
        PageAddress $address,
        Context $context,
        Result $result,
        array $facets,
    ): VisitorListing {
        $records = $this->sources->records($module->source, $result->keys, $module->shownCard->fields(), $context);

        return self::result($module, $address, $context, $result, $records, $facets);
    }

    /**
     * @param  list<Record>  $records  of the result's keys
     * @param  list<Facet>  $facets
     */
    private static function result(
        BoundModule $module,
        PageAddress $address,
        Context $context,
        Result $result,
        array $records,
        array $facets,
    ): VisitorListing {
        return new VisitorListing($module, $result, $records, $context, $address, $module->name, $facets);
    }
}
