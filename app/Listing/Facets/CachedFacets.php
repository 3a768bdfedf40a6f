<?php

declare(strict_types=1);

namespace App\Listing\Facets;

use App\Freshness\ReadMarks;
use App\Listing\Cache\CacheExpiry;
use App\Listing\Cache\ListingDependencies;
use App\Listing\Cache\ResultCache;
use Wellspring\Core\Choice\Chosen;
use Wellspring\Core\Choice\Facet;
use Wellspring\Core\Choice\FacetRange;
use Wellspring\Core\Choice\OfferedFilter;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Test\Quantifier;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Module\Module;

/** The cached options and counts of filters. */
final readonly class CachedFacets
{
    public function __construct(
        private FacetCounter $facets,
        private CacheExpiry $expiry,
        private ResultCache $cache,
    ) {
    }

    /**
     * The options of the module's filters with their counts. The cache key of each filter contains the choices of all
     * other filters, because a filter's own choice does not change its counts.
     *
     * @param  ReadMarks  $marks  of this module and others
     * @return list<Facet> in the order of the offer; none where the module follows another's
     */
    public function of(BoundModule $module, Context $context, ReadMarks $marks): array
    {
        $filters = $module->follows === null ? $module->offer->filters ?? [] : [];
        if ($filters === []) {
            return [];
        }
        $now = $context->now->getTimestamp();
        $hasWords = ListingDependencies::takesWords($module, $context);
        $read = $marks->of(ListingDependencies::of($module));
        $facets = $missing = $names = [];
        foreach ($filters as $i => $filter) {
            $others = $module->chosen->without($filter);
            $names[$i] = $read === null || $hasWords || ! $others->isOneOfFew()
                ? null
                : $this->facetName($filter, $others, $module, $context, $read);
            $kept = $names[$i] === null ? null : $this->cache->get($names[$i], $now);
            if ($kept === null) {
                $missing[$i] = $filter;
            } else {
                $facets[$i] = self::facet($kept['facet'], $filter, $module);
            }
        }
        $until = $missing === [] ? null : $this->expiry->until($module, $context);
        $places = array_keys($missing);
        foreach ($this->facets->of($module, $context, array_values($missing)) as $n => $facet) {
            $i = $places[$n];
            $facets[$i] = $facet;
            if ($names[$i] !== null) {
                $counted = serialize([$facet->counts, $facet->range, $facet->left]);
                $this->cache->put($names[$i], ['facet' => $counted], $now, $until);
            }
        }
        ksort($facets);

        return array_values($facets);
    }

    /** @param  array<string, string>  $marks  the marks that the module depends on */
    private function facetName(
        OfferedFilter $filter,
        Chosen $others,
        BoundModule $module,
        Context $context,
        array $marks,
    ): string {
        // The order, page and layout of the records do not change the counts.
        $rules = array_diff_key($module->toArray(), array_flip(['name', 'order', 'page', 'arrange', 'offer', 'look']));

        return 'facet:'.hash('xxh128', serialize([
            $rules,
            $filter->toArray(),
            $filter->join === Quantifier::All ? $module->chosen->of($filter)?->said : null,
            $others->filterParameters(),
            ListingDependencies::contextKey($context),
            $marks,
        ]));
    }

    private static function facet(mixed $kept, OfferedFilter $filter, BoundModule $module): Facet
    {
        /** @var array{array<array-key, int>, FacetRange|null, int} $read */
        $read = unserialize(is_string($kept) ? $kept : '', ['allowed_classes' => [FacetRange::class]]);

        return new Facet($filter, $module->chosen->of($filter), ...$read);
    }
}
