<?php

declare(strict_types=1);

namespace App\Listing;

use App\Database\PostgresArray;
use App\Listing\Compile\FieldSql;
use App\Listing\Compile\Fragment;
use Illuminate\Database\Query\Builder as Query;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\Module;

/**
 * The values of a field among the records that reach one condition of a module: counts of choices and the distribution
 * of values. Records with equal values are counted together first and split afterwards, so that they are read only
 * once.
 */
final readonly class Options
{
    private const BARS = 24;

    private const TEXTS = 12;

    private const CHOICES = 500;

    private const LINKS = 200;

    private const NONE = ['empty' => 0, 'choices' => [], 'labels' => [], 'bars' => []];

    public function __construct(private ModuleQuery $query)
    {
    }

    /**
     * @param  string  $before  the name of the condition's step (`where.all[1]`); only earlier conditions narrow the
     *   counts
     * @return array{
     *     filled: int,
     *     empty: int,
     *     choices: array<string, int>,
     *     labels: array<string, string>,
     *     bars: list<array{from: float|string, to: float|string, records: int}>,
     * } `choices`: the most frequent first; `bars`: how many records lie between values, the last bar's end included
     */
    public function of(Module $module, Field $field, string $before, Context $context): array
    {
        $query = $this->query->reaching($module, $context, $before);
        if ($field->through !== null || $field->family() === Family::Identity || $field->family() === Family::Words) {
            return ['filled' => $query->count()] + self::NONE;
        }

        return match ($field->family()) {
            Family::Terms => $this->terms($query->toBase(), $field),
            Family::Choice => $this->values($query->toBase(), $field, self::CHOICES),
            Family::Text => $this->values($query->toBase(), $field, self::TEXTS),
            Family::Choices => $this->lists($query->toBase(), $field),
            Family::Number => $this->numbers($query->toBase(), FieldSql::number($field)),
            Family::Date, Family::Instant => $this->days($query->toBase(), $field, $context),
            Family::Items, Family::Person => $this->links($query->toBase(), $field, $context),
            default => $this->filled($query->toBase(), $field, $context),
        } + self::NONE;
    }

    /** @return array{filled: int, empty: int} */
    private function filled(Query $query, Field $field, Context $context): array
    {
        $filled = FieldSql::filled($field, $context);
        $row = (array) (clone $query)
            ->selectRaw("count(*) filter (where {$filled->sql}) as filled, count(*) as records", $filled->bindings)
            ->first();

        return ['filled' => (int) $row['filled'], 'empty' => (int) $row['records'] - (int) $row['filled']];
    }

    /**
     * One value per record.
     *
     * @return array{filled: int, empty: int, choices: array<string, int>}
     */
    private function values(Query $query, Field $field, int $most): array
    {
        return $this->counted(
            $query->selectRaw(FieldSql::raw($field).' as held, count(*) as records')->groupByRaw('1'),
            'held is not null',
            'select held as choice, records from counted where held is not null',
            [],
            $most,
        );
    }

    /**
     * A list per record.
     *
     * @return array{filled: int, empty: int, choices: array<string, int>}
     */
    private function lists(Query $query, Field $field): array
    {
        return $this->counted(
            $query->selectRaw(FieldSql::raw($field).' as held, count(*) as records')->groupByRaw('1'),
            'held is not null',
            'select one.choice, sum(records) as records from counted cross join lateral '
                .'jsonb_array_elements_text(held::jsonb) as one(choice) group by 1',
            [],
            self::CHOICES,
        );
    }

    /**
     * The number of records in each term or below it.
     *
     * @return array{filled: int, empty: int, choices: array<string, int>}
     */
    private function terms(Query $query, Field $field): array
    {
        $terms = $field->taxonomy->terms ?? throw new \LogicException('A field of terms has a taxonomy.');
        $above = $slugs = [];
        foreach ($terms->all() as $term) {
            foreach ($terms->withBelow($term->slug) as $slug) {
                $above[] = $term->slug;
                $slugs[] = $slug;
            }
        }

        return $this->counted(
            $query->selectRaw('items.term_ids as held, count(*) as records')->groupByRaw('1'),
            'held && array(select terms.id from terms where terms.taxonomy_key = ?)',
            <<<'SQL'
                select above as choice, sum(records) as records from (
                    select distinct counted.held, counted.records, pair.above
                    from counted cross join unnest(counted.held) as one(id) join terms on terms.id = one.id and
                        terms.taxonomy_key = ?
                    join unnest(?::text[], ?::text[]) as pair(above, slug) on pair.slug = terms.slug
                ) as standing group by 1
                SQL,
            [$field->ownKey(), PostgresArray::literal($above), PostgresArray::literal($slugs)],
            count($above),
            [$field->ownKey()],
        );
    }

    /**
     * Splits combined values, such as lists, after equal ones were counted together.
     *
     * @param  Query  $counted  `held` and `records`, each value once
     * @param  string  $filled  true if there is a value
     * @param  string  $choices  a query of `choice` and `records` over `counted`
     * @param  list<scalar>  $bindings  of the choices
     * @param  list<scalar>  $filledBindings
     * @return array{filled: int, empty: int, choices: array<string, int>}
     */
    private function counted(
        Query $counted,
        string $filled,
        string $choices,
        array $bindings,
        int $most,
        array $filledBindings = [],
    ): array {
        $row = (array) DB::selectOne(<<<SQL
            with counted as materialized ({$counted->toSql()})
            select coalesce(sum(records) filter (where {$filled}), 0) as filled, coalesce(sum(records), 0) as records,
                (select json_object_agg(choice, records order by records desc, choice) from
                    ({$choices} order by records desc, choice limit ?) as most) as choices
            from counted
            SQL, [...$counted->getBindings(), ...$filledBindings, ...$bindings, $most]);
        $found = json_decode((string) ($row['choices'] ?? '[]'), true);

        return [
            'filled' => (int) $row['filled'],
            'empty' => (int) $row['records'] - (int) $row['filled'],
            'choices' => is_array($found)
                ? array_map(fn (mixed $records): int => is_numeric($records) ? (int) $records : 0, $found)
                : [],
        ];
    }

    /**
     * The linked records.
     *
     * @return array{filled: int, empty: int, choices: array<string, int>, labels: array<string, string>} counts and
     *   names, by what a condition calls it
     */
    private function links(Query $query, Field $field, Context $context): array
    {
        $filled = $this->filled($query, $field, $context);
        $person = $field->family() === Family::Person;
        $linked = $field->origin === Origin::Item
            ? 'items.author_id'
            : ($person ? 'item_links.person_id' : 'item_links.target_id');
        if ($field->origin !== Origin::Item) {
            $query->join(
                'item_links',
                fn ($join) => $join->on('item_links.item_id', '=', 'items.id')->where('item_links.field', $field->key),
            );
        }
        $counted = $query->selectRaw("{$linked} as id, count(*) as records")
            ->whereRaw("{$linked} is not null")
            ->groupByRaw('1');
        [$table, $key, $label] = $person
            ? ['users', 'named.email', 'named.name']
            : ['items', "named.type_key || '/' || named.slug", 'named.title'];
        $visible = $person ? new Fragment(Visibility::ofPerson('named')) : Visibility::ofItem($context, 'named');
        $rows = DB::query()
            ->fromSub($counted, 'counted')
            ->join("{$table} as named", 'named.id', '=', 'counted.id')
            ->whereRaw($visible->sql, $visible->bindings)
            ->selectRaw("{$key} as choice, {$label} as label, records")
            ->orderByRaw('records desc, label')
            ->limit(self::LINKS)
            ->get();
        $choices = $labels = [];
        foreach ($rows as $row) {
            $choices[(string) $row->choice] = (int) $row->records;
            $labels[(string) $row->choice] = (string) $row->label;
        }

        return $filled + ['choices' => $choices, 'labels' => $labels];
    }

    /** @return array{filled: int, empty: int, bars: list<array{from: float, to: float, records: int}>} */
    private function numbers(Query $query, string $number): array
    {
        ['filled' => $filled, 'empty' => $empty, 'low' => $low, 'high' => $high, 'bars' => $counts] = $this->spread(
            $query, $number, 'held', 'case when high > low then least(? - 1, floor((value - low) * ? / (high - low))) '
                .'else 0 end', [
                    self::BARS,
                    self::BARS,
                ],
        );
        if ($low === null) {
            return ['filled' => $filled, 'empty' => $empty, 'bars' => []];
        }
        [$low, $high] = [(float) $low, (float) $high];
        $last = $high > $low ? self::BARS - 1 : 0;
        $width = ($high - $low) / self::BARS;

        return ['filled' => $filled, 'empty' => $empty, 'bars' => array_map(fn (int $bar): array => [
            'from' => $low + $bar * $width,
            'to' => $bar === $last ? $high : $low + ($bar + 1) * $width,
            'records' => $counts[$bar] ?? 0,
        ], range(0, $last))];
    }

    /**
     * @return array{filled: int, empty: int, bars: list<array{from: string, to: string, records: int}>} bars of whole
     *   days
     */
    private function days(Query $query, Field $field, Context $context): array
    {
        $day = $field->family() === Family::Date
            ? 'held::date'
            : "(held::timestamptz at time zone '".$context->calendar->zone->getName()."')::date";
        ['filled' => $filled, 'empty' => $empty, 'low' => $low, 'high' => $high, 'bars' => $counts] = $this->spread(
            $query,
            FieldSql::raw($field),
            $day,
            '(value - low) / greatest(1, ceil((high - low + 1)::numeric / ?))::int',
            [self::BARS],
        );
        if ($low === null) {
            return ['filled' => $filled, 'empty' => $empty, 'bars' => []];
        }
        $from = new \DateTimeImmutable($low, new \DateTimeZone('UTC'));
        $days = (int) $from->diff(new \DateTimeImmutable((string) $high, new \DateTimeZone('UTC')))->days + 1;
        $width = max(1, (int) ceil($days / self::BARS));

        return ['filled' => $filled, 'empty' => $empty, 'bars' => array_map(fn (int $bar): array => [
            'from' => $from->modify('+'.$bar * $width.' days')->format('Y-m-d'),
            'to' => $from->modify('+'.(($bar + 1) * $width - 1).' days')->format('Y-m-d'),
            'records' => $counts[$bar] ?? 0,
        ], range(0, intdiv($days - 1, $width)))];
    }

    /**
     * The distribution of values between the lowest and the highest.
     *
     * @param  string  $held  the stored value
     * @param  string  $value  its value as a number
     * @param  string  $bar  the bar of a `value` between `low` and `high`
     * @param  list<int>  $bindings  of the bar
     * @return array{filled: int, empty: int, low: string|null, high: string|null, bars: array<int, int>}
     */
    private function spread(Query $query, string $held, string $value, string $bar, array $bindings): array
    {
        $counted = $query->selectRaw("{$held} as held, count(*) as records")->groupByRaw('1');
        $row = (array) DB::selectOne(<<<SQL
            with counted as materialized ({$counted->toSql()}),
            valued as (select {$value} as value, records from counted where held is not null),
            ends as (select min(value) as low, max(value) as high from valued)
            select (select coalesce(sum(records), 0) from counted) as records, (select coalesce(sum(records), 0) from
                valued) as filled, low::text, high::text,
                (select json_object_agg(bar, records) from (select
                    ({$bar})::int as bar, sum(records) as records from valued cross join ends group by 1) as barred) as
                        bars
            from ends
            SQL, [...$counted->getBindings(), ...$bindings]);
        $bars = json_decode((string) ($row['bars'] ?? '[]'), true);

        return [
            'filled' => (int) $row['filled'],
            'empty' => (int) $row['records'] - (int) $row['filled'],
            'low' => is_string($row['low']) ? $row['low'] : null,
            'high' => is_string($row['high']) ? $row['high'] : null,
            'bars' => is_array($bars)
                ? array_map(fn (mixed $records): int => is_numeric($records) ? (int) $records : 0, $bars)
                : [],
        ];
    }
}
