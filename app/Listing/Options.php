<?php

declare(strict_types=1);

namespace App\Listing;

use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Query\Builder as Query;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Run\Context;

/** What a field holds among the records that reach one condition of a module: the counts beside its choices, the spread of its values. */
final readonly class Options
{
    private const BARS = 24;

    private const TEXTS = 12;

    public function __construct(private Listing $listing)
    {
    }

    /**
     * @param  string  $before  the name of the condition's step (`where.all[1]`); only earlier conditions narrow the counts
     * @return array{filled: int, empty: int, choices: array<string, int>, labels: array<string, string>, bars: list<array{from: float|string, to: float|string, records: int}>} `bars`: how many records lie between values, the last bar's end included
     */
    public function of(Module $module, Field $field, string $before, Context $context): array
    {
        $query = $this->listing->before($module, $context, $before);
        $all = (clone $query)->count();
        if ($field->through !== null || $field->family() === Family::Identity || $field->family() === Family::Words) {
            return ['filled' => $all, 'empty' => 0, 'choices' => [], 'labels' => [], 'bars' => []];
        }
        $filled = FieldSql::filled($field);
        $filledCount = $filled->sql === 'true' ? $all : (clone $query)->whereRaw($filled->sql, $filled->bindings)->count();
        [$choices, $labels] = match ($field->family()) {
            Family::Choice => [$this->choices($query->toBase(), FieldSql::raw($field)), []],
            Family::Choices => [$this->choices($query->toBase()->crossJoin(DB::raw('lateral jsonb_array_elements_text('.FieldSql::raw($field).'::jsonb) as one(choice)')), 'one.choice'), []],
            Family::Terms => [$this->terms($query, $field), []],
            Family::Text => [$this->choices($query->toBase(), FieldSql::raw($field), self::TEXTS), []],
            Family::Items, Family::Person => $this->links($query, $field),
            default => [[], []],
        };

        return [
            'filled' => $filledCount, 'empty' => $all - $filledCount, 'choices' => $choices, 'labels' => $labels,
            'bars' => match ($field->family()) {
                Family::Number => $this->numbers($query->toBase(), FieldSql::number($field)),
                Family::Date, Family::Instant => $this->days($query->toBase(), $field, $context),
                default => [],
            },
        ];
    }

    /** @return array<string, int> the most frequent first */
    private function choices(Query $query, string $choice, int $most = 500): array
    {
        $counts = [];
        foreach ($query->selectRaw("{$choice} as choice, count(*) as records")->whereRaw("{$choice} is not null")->groupByRaw('1')->orderByRaw('2 desc, 1')->limit($most)->get() as $row) {
            $counts[(string) $row->choice] = (int) $row->records;
        }

        return $counts;
    }

    /**
     * What the records link to, the most frequent first.
     *
     * @param  Builder<Item>  $query
     * @return array{array<string, int>, array<string, string>} counts and names, by what a condition calls it
     */
    private function links(Builder $query, Field $field): array
    {
        $base = $query->toBase();
        $person = $field->family() === Family::Person;
        if ($field->origin === Origin::Item) {
            $base->join('users as named', 'named.id', '=', 'items.author_id');
        } else {
            $base->join('item_links', fn ($join) => $join->on('item_links.item_id', '=', 'items.id')->where('item_links.field', $field->key))
                ->join($person ? 'users as named' : 'items as named', 'named.id', '=', $person ? 'item_links.person_id' : 'item_links.target_id');
        }
        [$key, $label] = $person ? ['named.email', 'named.name'] : ["named.type_key || '/' || named.slug", 'named.title'];
        $counts = $labels = [];
        foreach ($base->selectRaw("{$key} as choice, {$label} as label, count(distinct items.id) as records")->groupByRaw('1, 2')->orderByRaw('3 desc, 2')->limit(200)->get() as $row) {
            $counts[(string) $row->choice] = (int) $row->records;
            $labels[(string) $row->choice] = (string) $row->label;
        }

        return [$counts, $labels];
    }

    /** @return list<array{from: float, to: float, records: int}> */
    private function numbers(Query $query, string $number): array
    {
        $ends = (clone $query)->selectRaw("min({$number}) as low, max({$number}) as high")->first();
        if (! isset($ends->low, $ends->high)) {
            return [];
        }
        [$low, $high] = [(float) $ends->low, (float) $ends->high];
        $width = $high > $low ? ($high - $low) / self::BARS : 1.0;
        $last = $high > $low ? self::BARS - 1 : 0;
        $counts = $query->selectRaw("least(?::int, floor(({$number} - ?) / ?))::int as bar, count(*) as records", [$last, $low, $width])
            ->whereRaw("{$number} is not null")->groupByRaw('1')->pluck('records', 'bar');

        return array_map(fn (int $bar): array => ['from' => $low + $bar * $width, 'to' => $bar === $last ? $high : $low + ($bar + 1) * $width, 'records' => is_numeric($counts[$bar] ?? 0) ? (int) ($counts[$bar] ?? 0) : 0], range(0, $last));
    }

    /** @return list<array{from: string, to: string, records: int}> bars of whole days */
    private function days(Query $query, Field $field, Context $context): array
    {
        $raw = FieldSql::raw($field);
        $day = $field->family() === Family::Date ? "{$raw}::date" : "({$raw}::timestamptz at time zone '".$context->calendar->zone->getName()."')::date";
        $ends = (clone $query)->selectRaw("min({$day}) as low, max({$day}) as high")->first();
        if (! isset($ends->low, $ends->high)) {
            return [];
        }
        $from = new \DateTimeImmutable($ends->low, new \DateTimeZone('UTC'));
        $days = (int) $from->diff(new \DateTimeImmutable($ends->high, new \DateTimeZone('UTC')))->days + 1;
        $width = max(1, (int) ceil($days / self::BARS));
        $counts = $query->selectRaw("({$day} - ?::date) / ?::int as bar, count(*) as records", [$ends->low, $width])->whereRaw("{$raw} is not null")->groupByRaw('1')->pluck('records', 'bar');

        return array_map(fn (int $bar): array => [
            'from' => $from->modify('+'.$bar * $width.' days')->format('Y-m-d'),
            'to' => $from->modify('+'.(($bar + 1) * $width - 1).' days')->format('Y-m-d'),
            'records' => is_numeric($counts[$bar] ?? 0) ? (int) ($counts[$bar] ?? 0) : 0,
        ], range(0, intdiv($days - 1, $width)));
    }

    /**
     * How many of the records stand in each term or below it.
     *
     * @param  Builder<Item>  $query
     * @return array<string, int>
     */
    private function terms(Builder $query, Field $field): array
    {
        $terms = $field->taxonomy->terms ?? throw new \LogicException('A field of terms has a taxonomy.');
        $above = $slugs = [];
        foreach ($terms->all() as $term) {
            foreach ($terms->withBelow($term->slug) as $slug) {
                $above[] = $term->slug;
                $slugs[] = $slug;
            }
        }
        $counts = [];
        $sql = $query->toBase()->select('items.id');
        $found = DB::select(
            'select pair.above as term, count(distinct item_term.item_id) as records
            from item_term join terms on terms.id = item_term.term_id
            join unnest(?::text[], ?::text[]) as pair(above, slug) on pair.slug = terms.slug
            where terms.taxonomy_key = ? and item_term.item_id in ('.$sql->toSql().')
            group by pair.above',
            [Fragment::arrayLiteral($above), Fragment::arrayLiteral($slugs), $field->key, ...$sql->getBindings()],
        );
        foreach ($found as $row) {
            $counts[(string) $row->term] = (int) $row->records;
        }

        return $counts;
    }
}
