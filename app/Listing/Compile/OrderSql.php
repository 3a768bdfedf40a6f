<?php

declare(strict_types=1);

namespace App\Listing\Compile;

use App\Catalogue\CatalogueStore;
use App\Database\PostgresArray;
use App\Listing\Compile\Sort\CriteriaSql;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\Headings;
use Wellspring\Core\Time\CalendarUnit;

/** The sort expressions of a module: headings, sort keys, and the id as tiebreaker. */
final readonly class OrderSql
{
    public function __construct(private CatalogueStore $catalogue, private CriteriaSql $criteria)
    {
    }

    /**
     * @return non-empty-list<OrderBy>
     */
    public function of(BoundModule $module, Context $context): array
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
            array_push($all, ...$this->criteria->find($key->by)->orders($key->by, $key, $module, $context));
        }

        $all[] = new OrderBy(new Fragment('items.id'), 'bigint', true, null);

        return $module->source->hasOccurrences()
            ? [...$all, new OrderBy(new Fragment('items.starts_at'), 'timestamptz', true, null)]
            : $all;
    }

    /** The position of the record's heading, equal to Headings::place(). */
    public function place(Headings $headings, Context $context): Fragment
    {
        $field = $headings->field;
        $raw = $field->origin === Origin::Taxonomy ? '' : FieldSql::raw($field);

        return match ($field->family()) {
            Family::Choice => new Fragment(
                "array_position(?::text[], {$raw}) - 1",
                [PostgresArray::literal($headings->known())],
            ),
            Family::YesNo => new Fragment("({$raw})::boolean::int"),
            Family::Terms => new Fragment(
                '(select min(array_position(?::bigint[], item_term.term_id)) - 1 from item_term where '
                    .'item_term.item_id = items.id and item_term.term_id = any(?::bigint[]))',
                array_fill(
                    0,
                    2,
                    PostgresArray::literal($this->catalogue->termIdsInOrder($field->key, $headings->known())),
                ),
            ),
            Family::Text => new Fragment('left('.FieldSql::folded($field).', 1) collate "C"'),
            default => $this->firstDay($field, $headings->per ?? CalendarUnit::Day, $context),
        };
    }

    /** The first day, as text, of the calendar unit that contains a date or an instant. */
    public function firstDay(Field $field, CalendarUnit $per, Context $context): Fragment
    {
        $raw = FieldSql::raw($field);
        [$day, $bindings] = $field->family() === Family::Date
            ? [$raw, []]
            : ["to_char({$raw}::timestamptz at time zone ?, 'YYYY-MM-DD')", [$context->calendar->zone->getName()]];

        return match ($per) {
            CalendarUnit::Day => new Fragment("{$day} collate \"C\"", $bindings),
            CalendarUnit::Week => new Fragment(
                "to_char({$day}::date - ((extract(isodow from "
                    ."{$day}::date)::int - ?::int + 7) % 7), 'YYYY-MM-DD') collate \"C\"",
                [...$bindings, ...$bindings, $context->calendar->firstWeekday],
            ),
            CalendarUnit::Month => new Fragment("(left({$day}, 7) || '-01') collate \"C\"", $bindings),
            CalendarUnit::Year => new Fragment("(left({$day}, 4) || '-01-01') collate \"C\"", $bindings),
        };
    }
}
