<?php

declare(strict_types=1);

namespace App\Listing;

use App\Catalogue\ValueColumns;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Choice\Counting;
use Wellspring\Core\Choice\FacetRange;
use Wellspring\Core\Choice\OfferedFilter;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Source\Items;

/**
 * What records hold of the filters of a module, counted in one scan: of each record that would be listed without the
 * visitor's choices it is told which of the chosen filters it fails. One that fails none counts for every filter, one
 * that fails one counts for that filter alone, and others count for none.
 *
 * Every record gives one text for each column, and equal texts are counted. Filters of few values share a column:
 * there are fewer texts to count, and counting texts is faster than counting rows of several values.
 *
 * Of a single type, values are read from the columns that they have, so that an index of those columns answers where
 * there is one (Indexes); the few items that do not fit into it are read beside it.
 */
final readonly class FacetQuery
{
    /** Stands for the filter that a record fails where it fails none. */
    private const NONE = -1;

    /** Stands between what a column's filters hold. No choice holds it (Field::CHOICE). */
    private const SEPARATOR = '|';

    /** As many different texts as one column of several filters may come to. */
    private const COMBINATIONS = 1000;

    /** Columns that an index holds, beside those of values: what is long, or may be, is not among them. */
    private const SHORT_COLUMNS = [
        'id', 'type_key', 'status', 'publish_at', 'expire_at', 'audience', 'lead', 'author_id', 'created_at',
        'updated_at', 'term_ids', 'term_list',
    ];

    public function __construct(
        private ModuleQuery $query,
        private Compiler $compiler,
        private ValueColumns $valueColumns,
    ) {
    }

    /**
     * The columns of items that are read where the filters of a module are counted.
     *
     * @param  Module  $module  bound
     * @return list<string>|null null where an index cannot hold them all
     */
    public function columnsRead(Module $module, Context $context): ?array
    {
        $filters = $module->offer->filters ?? [];
        $type = self::singleType($module);
        if ($filters === [] || $type === null) {
            return null;
        }
        $values = $this->valueColumns->of($type);
        $read = self::columnsIn(FieldSql::inColumns($this->asked($module, $context, $filters)->toSql(), $values));
        // What is not asked of this page, or not chosen yet, may be of the next one.
        $asked = array_map(fn (Condition $one): string => $one->field->key, $module->where?->conditions() ?? []);
        $read = array_unique([...$read, 'term_ids', ...array_intersect_key($values, array_flip($asked))]);

        return array_diff($read, self::SHORT_COLUMNS, $values) === [] ? array_values($read) : null;
    }

    /** @return string|null key of the type that all its records are of; null where there are several, or none */
    private static function singleType(Module $module): ?string
    {
        $types = $module->source instanceof Items ? $module->source->typeKeys() : [];

        return count($types) === 1 ? $types[0] : null;
    }

    /** @return list<string> */
    private static function columnsIn(string $sql): array
    {
        preg_match_all('/\bitems"?\."?([a-z_0-9]+)/', $sql, $found);

        return array_values(array_unique($found[1]));
    }

    /**
     * @param  Module  $module  bound
     * @param  list<OfferedFilter>  $filters  of its offer
     * @return list<FacetTally> one for each of the filters
     */
    public function tallies(Module $module, Context $context, array $filters): array
    {
        $columns = self::columns($filters);
        $tallies = array_map(fn (): FacetTally => new FacetTally, $filters);
        foreach ($this->rows($module, $context, $filters, $columns) as $row) {
            $places = $columns[(int) $row->place];
            $held = array_combine($places, explode(self::SEPARATOR, (string) $row->held, count($places)));
            foreach (array_intersect_key($tallies, $held) as $place => $tally) {
                if ($row->what === 'ends') {
                    $tally->ends = [(float) $row->least, (float) $row->greatest];
                } elseif ($row->what === 'bar') {
                    $tally->bars[(int) $row->held] = (int) $row->records;
                } elseif (in_array((int) ($row->fails ?? self::NONE), [self::NONE, $place], true)) {
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
     * How many different values records can hold of a filter at most; null: any number. Of terms, how many sets of them
     * the database has seen when it last took its statistics.
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
    private function rows(Module $module, Context $context, array $filters, array $columns): array
    {
        $asked = $this->read($module, $this->asked($module, $context, $filters));
        $texts = implode(', ', array_map(
            fn (array $places, int $column): string => self::text($column, $places, $module->chosen->filters !== []),
            $columns,
            array_keys($columns),
        ));
        $numbers = array_keys(array_filter(
            $columns,
            fn (array $places): bool => $filters[$places[0]]->control->counting() === Counting::Numbers,
        ));
        $bars = FacetRange::BARS;
        // Each record is asked once: but for the offset, the database would write the questions anew wherever their
        // answers are spoken of. Given as text it is known to skip nothing before the plan is made, so that workers
        // share the scan.
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
        $bindings = [...$asked->bindings, ...array_fill(0, 3, Fragment::arrayLiteral($numbers))];

        return DB::transaction(function () use ($sql, $bindings): array {
            // There are few groups, which the database cannot know; it would sort all records.
            DB::statement('set local enable_sort = off');

            return array_values(DB::select($sql, $bindings));
        });
    }

    /**
     * What is asked of each record: what it holds of each filter (`held0`, `held1`, …), and which of them it `fails`.
     *
     * @param  list<OfferedFilter>  $filters
     */
    private function asked(Module $module, Context $context, array $filters): Builder
    {
        $asked = $this->query->unchosen($module, $context)->toBase();
        foreach ($filters as $i => $filter) {
            $held = $this->held($filter, $context);
            $asked->selectRaw("{$held->sql} as held{$i}", $held->bindings);
        }
        $fails = $this->fails($module, $context, $filters);

        return $asked->selectRaw("{$fails->sql} as fails", $fails->bindings);
    }

    /** The same, as the database reads it best. */
    private function read(Module $module, Builder $asked): Fragment
    {
        $type = self::singleType($module);
        if ($type === null) {
            return new Fragment($asked->toSql(), $asked->getBindings());
        }
        $fit = (clone $asked)->whereRaw('items.fits_index')
            ->unionAll((clone $asked)->whereRaw('not items.fits_index'));

        return new Fragment(FieldSql::inColumns($fit->toSql(), $this->valueColumns->of($type)), $fit->getBindings());
    }

    /**
     * What a record tells of a column: the column, which filter it fails, and what it holds of each of them; null where
     * it counts for none of them.
     *
     * @param  non-empty-list<int>  $places  of the column's filters
     * @param  bool  $isNarrowed  whether anything is chosen
     */
    private static function text(int $column, array $places, bool $isNarrowed): string
    {
        // What is written before a value is joined with it at once: each joining costs as much as reading a value.
        $held = fn (int $fails): string => implode(' || ', array_map(
            fn (int $place, string $before): string => "coalesce('{$before}=' || held{$place}, '{$before}')",
            $places,
            ["{$column}:{$fails}:", ...array_fill(0, count($places) - 1, self::SEPARATOR)],
        ));
        $failing = array_map(fn (int $place): string => " when {$place} then {$held($place)}", $places);

        return $isNarrowed
            ? 'case fails when '.self::NONE." then {$held(self::NONE)}".implode($failing).' end'
            : $held(self::NONE);
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
                $field->family() === Family::Terms ? 'items.term_list' : FieldSql::raw($field),
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
