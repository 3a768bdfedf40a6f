<?php

declare(strict_types=1);

namespace App\Listing;

use App\Catalogue\CatalogueStore;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Choice\Counting;
use Wellspring\Core\Choice\Facet;
use Wellspring\Core\Choice\FacetRange;
use Wellspring\Core\Choice\OfferedFilter;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Filter\Test\Quantifier;
use Wellspring\Core\Module\Module;

/**
 * Counts what the filters of a module offer, all from one scan: of each record that would be listed without the
 * visitor's choices it is told which of the chosen filters it fails. One that fails none counts for every filter, one
 * that fails one counts for that filter alone, and others count for none.
 */
final readonly class FacetCounter
{
    /** Stands for the filter that a record fails where it fails none. */
    private const NONE = -1;

    public function __construct(
        private ModuleQuery $query,
        private Compiler $compiler,
        private CatalogueStore $catalogue,
    ) {
    }

    /**
     * @param  Module  $module  bound
     * @param  list<OfferedFilter>  $filters  of its offer
     * @return list<Facet> one for each of the filters
     */
    public function of(Module $module, Context $context, array $filters): array
    {
        if ($filters === []) {
            return [];
        }
        $rows = $this->rows($module, $context, $filters);

        return array_map(
            fn (OfferedFilter $filter, int $i): Facet => $this->facet($filter, $module, $context, $rows[$i] ?? []),
            $filters,
            array_keys($filters),
        );
    }

    /** @param  list<\stdClass>  $rows  of the filter */
    private function facet(OfferedFilter $filter, Module $module, Context $context, array $rows): Facet
    {
        $chosen = $module->chosen->of($filter);
        $counting = $filter->control->counting();
        $isNarrowed = $filter->join === Quantifier::All && $chosen !== null;
        $counts = $bars = $days = [];
        $ends = null;
        $left = 0;
        foreach ($rows as $row) {
            $records = (int) $row->records;
            $held = is_string($row->held) ? $row->held : null;
            if ($row->what === 'ends') {
                $ends = array_map(floatval(...), explode(' ', (string) $held));
            } elseif ($row->what === 'bar') {
                $bars[(int) $held] = $records;
            } else {
                $left += $records;
                if ($held !== null && ! ($isNarrowed && (int) $row->fails !== self::NONE)) {
                    if ($counting === Counting::Days) {
                        $days[$held] = ($days[$held] ?? 0) + $records;
                    }
                    foreach ($this->options($filter, $counting, $held) as $option) {
                        $counts[$option] = ($counts[$option] ?? 0) + $records;
                    }
                }
            }
        }

        return new Facet(
            $filter,
            $chosen,
            $counts,
            match (true) {
                $ends !== null => FacetRange::ofNumbers($ends[0], $ends[1], $bars),
                $days !== [] => FacetRange::ofDays($days, $context->calendar),
                default => null,
            },
            $left,
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
        $slugs = $this->catalogue->termSlugs($taxonomy, array_map(intval(...), explode(',', trim($held, '{}'))));
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

    /**
     * @param  list<OfferedFilter>  $filters
     * @return array<int, list<\stdClass>> by the place of the filter: `fails`, which of the filters the records fail;
     *   `held`, what they hold; how many `records`
     */
    private function rows(Module $module, Context $context, array $filters): array
    {
        $asked = $this->query->unchosen($module, $context)->toBase();
        foreach ($filters as $i => $filter) {
            $key = $this->held($filter, $context);
            $asked->selectRaw("{$key->sql} as held{$i}", $key->bindings);
        }
        $fails = $this->fails($module, $context, $filters);
        $asked->selectRaw("{$fails->sql} as fails", $fails->bindings);
        $numbers = array_keys(array_filter(
            $filters,
            fn (OfferedFilter $filter): bool => $filter->control->counting() === Counting::Numbers,
        ));
        $values = implode(', ', array_map(fn (int $i): string => "({$i}, held{$i}::text)", array_keys($filters)));
        $none = self::NONE;
        $bars = FacetRange::BARS;
        // Each record is asked once: but for the offset, the database would write the questions anew wherever their
        // answers are spoken of. Given as text it is known to skip nothing before the plan is made, so that workers
        // share the scan.
        $sql = <<<SQL
            with grouped as materialized (
                select fails, place, held, count(*) as records
                from ({$asked->toSql()} offset '0') as asked
                cross join lateral (values {$values}) as told(place, held)
                where fails = {$none} or fails = place group by 1, 2, 3
            ), numbers as (
                select place, held::numeric as value, sum(records) as records from grouped
                where place = any(?::int[]) and held is not null group by 1, 2
            ), ends as (
                select place, min(value) as least, max(value) as greatest from numbers group by 1
            )
            select 'held' as what, place, fails, held, records from grouped where place <> all(?::int[])
            union all select 'held', place, {$none}, null, sum(records) from grouped where place = any(?::int[])
                group by place
            union all select 'ends', place, null, least || ' ' || greatest, 0 from ends
            union all select 'bar', place, null, (case when greatest > least
                then least({$bars} - 1, floor((value - least) * {$bars} / (greatest - least))) else 0 end)::int::text,
                sum(records) from numbers join ends using (place) group by 2, 4
            SQL;
        $bindings = [...$asked->getBindings(), ...array_fill(0, 3, Fragment::arrayLiteral($numbers))];
        $rows = DB::transaction(function () use ($sql, $bindings): array {
            // There are few groups, which the database cannot know; it would sort all records.
            DB::statement('set local enable_sort = off');

            return DB::select($sql, $bindings);
        });
        $byPlace = [];
        foreach ($rows as $row) {
            $byPlace[(int) $row->place][] = $row;
        }

        return $byPlace;
    }

    /**
     * Which of the filters a record fails: its place, NONE where it fails none; null where it fails more, or one that
     * is not counted.
     *
     * @param  list<OfferedFilter>  $filters
     */
    private function fails(Module $module, Context $context, array $filters): Fragment
    {
        if ($module->chosen->filters === []) {
            return new Fragment((string) self::NONE);
        }
        $names = array_column($filters, 'name');
        $sum = $which = $bindings = [];
        foreach ($module->chosen->filters as $chosen) {
            $rule = $this->compiler->rule($chosen->rule, $context)->not();
            $place = array_search($chosen->filter->name, $names, true);
            // A number that tells which one it was, as long as it is the only one.
            $number = $place === false ? 1_000_000 : 1 + 1000 * ($place + 1);
            $sum[] = "case when {$rule->sql} then {$number} else 0 end";
            array_push($bindings, ...$rule->bindings);
        }
        foreach (array_keys($filters) as $place) {
            $which[] = 'when '.(1 + 1000 * ($place + 1))." then {$place}";
        }

        return new Fragment(
            'case '.implode(' + ', $sum).' when 0 then '.self::NONE.' '.implode(' ', $which).' end',
            $bindings,
        );
    }

    /** What a record holds of a filter's field, as text. */
    private function held(OfferedFilter $filter, Context $context): Fragment
    {
        $field = $filter->field;

        return match ($filter->control->counting()) {
            Counting::Values => new Fragment(
                $field->family() === Family::Terms ? 'items.term_ids::text' : FieldSql::raw($field),
            ),
            Counting::Rules => $this->answers($filter, $context),
            // As it stands in the record: equal numbers that are written otherwise are put together later.
            Counting::Numbers => new Fragment(
                '('.($field->shared ? FieldSql::number($field) : FieldSql::raw($field)).')::text',
            ),
            Counting::Days => self::day($field, $context),
            Counting::Nothing => new Fragment('null::text'),
        };
    }

    /** For each option in turn `1` where its rule keeps the record, else `0`. */
    private function answers(OfferedFilter $filter, Context $context): Fragment
    {
        $rules = array_map(
            fn (string $option): Condition|Group => $filter->ruleOf($option, $context),
            array_map(strval(...), array_keys($filter->options())),
        );
        $answers = array_map(fn (Condition|Group $rule): Fragment => $this->compiler->rule($rule, $context), $rules);

        return new Fragment(
            implode(' || ', array_map(
                fn (Fragment $rule): string => "case when {$rule->sql} then '1' else '0' end",
                $answers,
            )),
            array_merge(...array_map(fn (Fragment $rule): array => $rule->bindings, $answers)),
        );
    }

    private static function day(Field $field, Context $context): Fragment
    {
        $raw = FieldSql::raw($field);

        return $field->family() === Family::Date
            ? new Fragment($raw)
            : new Fragment("(({$raw}::timestamptz at time zone ?)::date)::text", [$context->calendar->zone->getName()]);
    }
}
