<?php

declare(strict_types=1);

namespace App\Listing\Facets;

use App\Database\PostgresArray;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Choice\Counting;
use Wellspring\Core\Choice\FacetRange;
use Wellspring\Core\Choice\OfferedFilter;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;

/**
 * Counts the values of all filters in one scan. For each record that would be listed without the visitor's choices, the
 * query reports which of the chosen filters it fails. A record that fails none counts for every filter; a record that
 * fails one counts for that filter only; other records count for none.
 *
 * Each record yields one FacetText for each column. Filters with few values share a column, which reduces the number of
 * different texts.
 */
final readonly class FacetQuery
{
    /** Maximum number of different texts in a column that several filters share. */
    private const COMBINATIONS = 1000;

    public function __construct(private FacetScan $scan)
    {
    }

    /**
     * @param  list<OfferedFilter>  $filters  of its offer
     * @return list<FacetTally> one for each of the filters
     */
    public function tallies(BoundModule $module, Context $context, array $filters): array
    {
        $columns = self::columns($filters);
        $tallies = array_map(fn (): FacetTally => new FacetTally, $filters);
        foreach ($this->rows($module, $context, $filters, $columns) as $row) {
            $places = $columns[(int) $row->place];
            $held = FacetText::held((string) $row->held, $places);
            foreach (array_intersect_key($tallies, $held) as $place => $tally) {
                if ($row->what === 'ends') {
                    $tally->ends = [(float) $row->least, (float) $row->greatest];
                } elseif ($row->what === 'bar') {
                    $tally->bars[(int) $row->held] = (int) $row->records;
                } elseif (in_array((int) ($row->fails ?? FacetScan::NONE), [FacetScan::NONE, $place], true)) {
                    $tally->add($held[$place], (int) $row->records, passes: (int) $row->fails !== $place);
                }
            }
        }

        return $tallies;
    }

    /**
     * @param  list<OfferedFilter>  $filters
     * @return list<non-empty-list<int>> which filters stand in each column, by place
     */
    private static function columns(array $filters): array
    {
        $shared = $single = [];
        $combinations = 1;
        foreach ($filters as $place => $filter) {
            $values = self::differentValues($filter);
            if ($values !== null && $combinations * $values <= self::COMBINATIONS) {
                $combinations *= $values;
                $shared[] = $place;
            } else {
                $single[] = [$place];
            }
        }

        return $shared === [] ? $single : [$shared, ...$single];
    }

    /**
     * The maximum number of different values of a filter; null: unlimited. For terms, the number of different sets of
     * terms in the latest statistics of PostgreSQL.
     */
    private static function differentValues(OfferedFilter $filter): ?int
    {
        $counting = $filter->control->counting();

        return match (true) {
            $counting === Counting::Nothing => 1,
            $counting === Counting::Rules => 2 ** min(count($filter->options()), 30),
            $counting !== Counting::Values => null,
            $filter->field->family() === Family::YesNo => 3,
            $filter->field->family() === Family::Choice => 1 + count($filter->field->choices),
            $filter->field->family() === Family::Terms => self::setsOfTerms(),
            default => null,
        };
    }

    /** @return int|null null where they are many, or not known */
    private static function setsOfTerms(): ?int
    {
        $sets = DB::scalar('select n_distinct from pg_stats where schemaname = current_schema() and tablename = '
            ."'items' and attname = 'term_list'");

        return is_numeric($sets) && $sets > 0 ? (int) $sets : null;
    }

    /**
     * @param  list<OfferedFilter>  $filters
     * @param  list<non-empty-list<int>>  $columns  of their places
     * @return list<\stdClass> `what` it tells (held, bar, ends); the `place` of the column; how many `records`; and of
     *   what they hold: which of the filters they fail (`fails`), what they hold of each (`held`: empty, or the value
     *   after an equals sign); of a bar, which one (`held`); of the ends, `least` and `greatest`
     */
    private function rows(BoundModule $module, Context $context, array $filters, array $columns): array
    {
        $asked = $this->scan->of($module, $context, $filters);
        $texts = implode(', ', array_map(
            fn (array $places, int $column): string => FacetText::sql(
                $column,
                $places,
                $module->chosen->filters !== [],
            ),
            $columns,
            array_keys($columns),
        ));
        $numbers = array_keys(array_filter(
            $columns,
            fn (array $places): bool => $filters[$places[0]]->control->counting() === Counting::Numbers,
        ));
        $bars = FacetRange::BARS;
        // Each record is tested once. Without the OFFSET, PostgreSQL would copy the expressions to every place that
        // uses them. As a literal, the offset is known to be 0 before planning, so parallel workers can share the scan.
        $sql = <<<SQL
            with counted as (
                select content, count(*) as records
                from (select unnest(array[{$texts}]) as content from ({$asked->sql} offset '0') as asked) as texts
                where content is not null group by content
            ), grouped as materialized (
                select one as place, two as fails, substr(content, length(one || two) + 3) as held, records
                from counted
                cross join lateral (select split_part(content, ':', 1), split_part(content, ':', 2)) as parts(one, two)
            ), numbers as (
                select place, substr(held, 2)::numeric as value, sum(records) as records from grouped
                where place = any(?) and held <> '' group by 1, 2
            ), ends as (
                select place, min(value) as least, max(value) as greatest from numbers group by 1
            )
            select 'held' as what, place, fails, held, records, null::numeric as least, null::numeric as greatest
                from grouped where place <> all(?)
            union all select 'held', place, null, '', sum(records), null, null
                from grouped where place = any(?) group by place
            union all select 'ends', place, null, null, 0, least, greatest from ends
            union all select 'bar', place, null, (case when greatest > least
                then least({$bars} - 1, floor((value - least) * {$bars} / (greatest - least))) else 0 end)::int::text,
                sum(records), null, null from numbers join ends using (place) group by 2, 4
            SQL;
        $bindings = [...$asked->bindings, ...array_fill(0, 3, PostgresArray::literal($numbers))];

        return DB::transaction(function () use ($sql, $bindings): array {
            // PostgreSQL cannot know that there are few groups, and would sort all records.
            DB::statement('set local enable_sort = off');

            return array_values(DB::select($sql, $bindings));
        });
    }
}
