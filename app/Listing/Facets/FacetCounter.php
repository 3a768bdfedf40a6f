<?php

declare(strict_types=1);

namespace App\Listing\Facets;

use App\Catalogue\CatalogueStore;
use Wellspring\Core\Choice\Counting;
use Wellspring\Core\Choice\Facet;
use Wellspring\Core\Choice\FacetRange;
use Wellspring\Core\Choice\OfferedFilter;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Test\Quantifier;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Module\Module;

/** Counts the options of a module's filters. */
final readonly class FacetCounter
{
    public function __construct(private FacetQuery $query, private CatalogueStore $catalogue)
    {
    }

    /**
     * @param  list<OfferedFilter>  $filters  of its offer
     * @return list<Facet> one for each of the filters
     */
    public function of(BoundModule $module, Context $context, array $filters): array
    {
        return $filters === [] ? [] : array_map(
            fn (OfferedFilter $filter, FacetTally $tally): Facet => $this->facet($filter, $module, $context, $tally),
            $filters,
            $this->query->tallies($module, $context, $filters),
        );
    }

    private function facet(OfferedFilter $filter, BoundModule $module, Context $context, FacetTally $tally): Facet
    {
        $chosen = $module->chosen->of($filter);
        $counting = $filter->control->counting();
        // If a record must have all chosen options, a further option is counted among the records that have the chosen
        // ones.
        $isNarrowed = $filter->join === Quantifier::All && $chosen !== null;
        $counts = $days = [];
        foreach ($isNarrowed ? [$tally->passing] : [$tally->passing, $tally->failing] as $records) {
            foreach ($records as $held => $number) {
                if ($counting === Counting::Days) {
                    $days[$held] = ($days[$held] ?? 0) + $number;
                }
                foreach ($this->options($filter, $counting, (string) $held) as $option) {
                    $counts[$option] = ($counts[$option] ?? 0) + $number;
                }
            }
        }

        return new Facet(
            $filter,
            $chosen,
            $counts,
            match (true) {
                $tally->ends !== null => FacetRange::ofNumbers($tally->ends[0], $tally->ends[1], $tally->bars),
                $days !== [] => FacetRange::ofDays($days, $context->calendar),
                default => null,
            },
            $tally->left,
        );
    }

    /** @return list<string> the options that what a record holds counts for */
    private function options(OfferedFilter $filter, Counting $counting, string $held): array
    {
        $options = array_map(strval(...), array_keys($filter->options()));

        return match ($counting) {
            Counting::Rules => array_values(
                array_filter($options, fn (int $i): bool => $held[$i] === '1', ARRAY_FILTER_USE_KEY),
            ),
            Counting::Values => array_values(array_intersect($options, $this->values($filter, $held))),
            default => [],
        };
    }

    /** @return list<string> what an option may be called that stands for what a record holds */
    private function values(OfferedFilter $filter, string $held): array
    {
        return match ($filter->field->family()) {
            Family::Terms => $this->terms($filter, $held),
            Family::Choices => array_values(array_filter((array) json_decode($held, true), is_string(...))),
            Family::YesNo => [$held === 'true' ? 'yes' : 'no'],
            default => [$held],
        };
    }

    /** @return list<string> slugs of the terms, and of a tree those above them */
    private function terms(OfferedFilter $filter, string $held): array
    {
        $taxonomy = $filter->field->ownKey();
        $slugs = $this->catalogue->termSlugs($taxonomy, array_map(intval(...), explode(',', $held)));
        $terms = $filter->field->taxonomy?->terms;
        $found = [];
        foreach ($slugs as $slug) {
            for ($one = $slug; $one !== null && ! isset($found[$one]); $one = $terms?->find($one)?->parent) {
                $found[$one] = true;
                if (! $filter->control->showsTree()) {
                    break;
                }
            }
        }

        return array_map(strval(...), array_keys($found));
    }
}
