<?php

declare(strict_types=1);

namespace App\Listing;

use App\Catalogue\CatalogueStore;
use App\Listing\Compile\SearchSql;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Sort\Criterion;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\Headings;
use Wellspring\Core\Sort\SortKey;
use Wellspring\Core\Time\CalendarUnit;

/** What a module's records are ordered by in the database: headings, keys, and the id last. */
final readonly class OrderSql
{
    public function __construct(private CatalogueStore $catalogue, private Sources $sources)
    {
    }

    /**
     * @param  Module  $module  bound
     * @return non-empty-list<OrderBy>
     */
    public function of(Module $module, Context $context): array
    {
        $all = [];
        if ($module->headings !== null) {
            $all[] = new OrderBy(
                $this->place($module->headings, $context),
                $module->headings->family() === Family::Number ? 'int' : 'text collate "C"',
                $module->headings->direction === Direction::Up,
            );
        }
        foreach ($module->order as $key) {
            array_push($all, ...$this->key($key, $module, $context));
        }

        return [...$all, new OrderBy(new Fragment('items.id'), 'bigint', true, null)];
    }

    /** Where the record's heading stands among all, as Headings::place() says it. */
    public function place(Headings $headings, Context $context): Fragment
    {
        $field = $headings->field;
        $raw = $field->origin === Origin::Taxonomy ? '' : FieldSql::raw($field);

        return match ($field->family()) {
            Family::Choice => new Fragment(
                "array_position(?::text[], {$raw}) - 1",
                [Fragment::arrayLiteral($headings->known())],
            ),
            Family::YesNo => new Fragment("({$raw})::boolean::int"),
            Family::Terms => new Fragment(
                '(select min(array_position(?::bigint[], item_term.term_id)) - 1 from item_term where item_term.item_id = items.id and item_term.term_id = any(?::bigint[]))',
                array_fill(
                    0,
                    2,
                    Fragment::arrayLiteral($this->catalogue->termIdsInOrder($field->key, $headings->known())),
                ),
            ),
            Family::Text => new Fragment('left('.FieldSql::folded($field).', 1) collate "C"'),
            default => $this->firstDay($field, $headings->per ?? CalendarUnit::Day, $context),
        };
    }

    /** The first day, as text, of the stretch that a date or an instant lies in. */
    public function firstDay(Field $field, CalendarUnit $per, Context $context): Fragment
    {
        $raw = FieldSql::raw($field);
        [$day, $bindings] = $field->family() === Family::Date
            ? [$raw, []]
            : ["to_char({$raw}::timestamptz at time zone ?, 'YYYY-MM-DD')", [$context->calendar->zone->getName()]];

        return match ($per) {
            CalendarUnit::Day => new Fragment("{$day} collate \"C\"", $bindings),
            CalendarUnit::Week => new Fragment(
                "to_char({$day}::date - ((extract(isodow from {$day}::date)::int - ?::int + 7) % 7), 'YYYY-MM-DD') collate \"C\"",
                [...$bindings, ...$bindings, $context->calendar->firstWeekday],
            ),
            CalendarUnit::Month => new Fragment("(left({$day}, 7) || '-01') collate \"C\"", $bindings),
            CalendarUnit::Year => new Fragment("(left({$day}, 4) || '-01-01') collate \"C\"", $bindings),
        };
    }

    /** @return list<OrderBy> */
    private function key(SortKey $key, Module $module, Context $context): array
    {
        $up = $key->direction === Direction::Up;
        $by = $key->by;
        $number = fn (Fragment $fragment): array => [new OrderBy($fragment, 'numeric', $up, $key->emptyFirst)];
        $sure = fn (Fragment $fragment, string $type): array => [new OrderBy($fragment, $type, $up, null)];

        return match (true) {
            $by instanceof Criterion\FieldValue => [
                new OrderBy(
                    FieldSql::order($by->field),
                    self::type($by->field),
                    $up,
                    $by->field->isNeverEmpty() && $module->source->isItems() ? null : $key->emptyFirst,
                ),
            ],
            $by instanceof Criterion\PriceNow => $number($this->priceNow($by, $context)),
            $by instanceof Criterion\Popularity => $sure(
                new Fragment(
                    '(select coalesce(sum(item_views.views), 0) from item_views where item_views.item_id = items.id and item_views.day between ? and ?)',
                    $by->days($context),
                ),
                'numeric',
            ),
            $by instanceof Criterion\WeightedRating => [
                new OrderBy($this->weightedRating($by, $module, $context), 'float8', $up, $key->emptyFirst),
            ],
            $by instanceof Criterion\Shuffle => $sure(
                new Fragment('md5(? || items.id) collate "C"', [Criterion\Shuffle::salt($module->key, $context)]),
                'text collate "C"',
            ),
            $by instanceof Criterion\ManualOrder => $this->byHand($by, $up, $key->emptyFirst),
            $by instanceof Criterion\SharedTerms => $sure(
                new Fragment(
                    '(select count(*) from item_term where item_term.item_id = items.id and item_term.term_id = any(?::bigint[]))',
                    [Fragment::arrayLiteral($this->catalogue->termsOf($context->pageItem(), $by->taxonomies))],
                ),
                'bigint',
            ),
            $by instanceof Criterion\Relevance => $sure($this->relevance($by), 'int'),
            default => throw new \LogicException('No order is known for '.$by::class.'.'),
        };
    }

    private static function type(Field $field): string
    {
        return match (true) {
            $field->family() === Family::Text => 'text',
            $field->family() === Family::Number => 'numeric',
            $field->family() === Family::YesNo => 'boolean',
            $field->family() === Family::Choice => 'int',
            $field->origin === Origin::Item => 'timestamptz',
            default => 'text',
        };
    }

    private function priceNow(Criterion\PriceNow $by, Context $context): Fragment
    {
        [$price, $sale] = [FieldSql::number($by->price), FieldSql::number($by->salePrice)];
        $inside = Fragment::all([
            ...$by->from === null
                ? []
                : [new Fragment('coalesce('.FieldSql::raw($by->from).' collate "C" <= ?, true)', [$context->today()])],
            ...$by->until === null
                ? []
                : [new Fragment('coalesce('.FieldSql::raw($by->until).' collate "C" >= ?, true)', [$context->today()])],
        ]);

        return new Fragment(
            "case when {$inside->sql} then coalesce({$sale}, {$price}) else {$price} end",
            $inside->bindings,
        );
    }

    /** Added up exactly, then reckoned as core does, in double precision, so that both say the same. */
    private function weightedRating(Criterion\WeightedRating $by, Module $module, Context $context): Fragment
    {
        [$rating, $ratings] = [FieldSql::number($by->rating), FieldSql::number($by->ratings)];
        $rated = "{$rating} is not null and {$ratings} > 0";
        $all = $this->sources->candidates($module->source, $context)->toBase()
            ->selectRaw(
                "sum({$rating} * {$ratings}) filter (where {$rated})::float8 / nullif(sum({$ratings}) filter (where {$rated})::float8, 0)",
            );

        return new Fragment(
            "(?::float8 * ({$all->toSql()}) + case when {$rated} then ({$rating} * {$ratings})::float8 else 0 end) / nullif(?::float8 + case when {$rated} then ({$ratings})::float8 else 0 end, 0)",
            [$by->confidence, ...$all->getBindings(), $by->confidence],
        );
    }

    /** @return list<OrderBy> of those never placed, the newest comes first */
    private function byHand(Criterion\ManualOrder $by, bool $up, bool $emptyFirst): array
    {
        $place = $by->term === null
            ? new Fragment('items.position')
            : new Fragment(
                '(select item_term.position from item_term where item_term.item_id = items.id and item_term.term_id = any(?::bigint[]))',
                [Fragment::arrayLiteral($this->catalogue->termIds($by->term['taxonomy'], [$by->term['slug']]))],
            );

        return [
            new OrderBy($place, 'int', $up, $emptyFirst),
            new OrderBy(
                new Fragment("case when {$place->sql} is null then items.publish_at end", $place->bindings),
                'timestamptz',
                false,
                false,
            ),
        ];
    }

    private function relevance(Criterion\Relevance $by): Fragment
    {
        $sums = array_map(SearchSql::weight(...), $by->sought);

        return $sums === [] ? new Fragment('0::int') : new Fragment(
            '('.implode(' + ', array_map(fn (Fragment $one): string => $one->sql, $sums)).')',
            array_merge(...array_map(fn (Fragment $one): array => $one->bindings, $sums)),
        );
    }
}
