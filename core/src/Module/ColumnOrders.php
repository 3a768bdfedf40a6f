<?php

declare(strict_types=1);

namespace Wellspring\Core\Module;

use Wellspring\Core\Card\Card;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Choice\OfferedOrder;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Sort\Criterion\FieldValue;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortKey;

/** The orders of a table that visitors can sort: ascending and descending by each column whose field can be sorted. */
final class ColumnOrders
{
    /** @return list<OfferedOrder> */
    public static function of(Card $card, Type $type): array
    {
        $orders = [];
        foreach ($card->parts() as $part) {
            $key = self::key($part, $type);
            if ($key !== null && $part->field !== null && ! isset($orders[$key])) {
                foreach (Direction::cases() as $direction) {
                    $name = $key.($direction === Direction::Up ? '' : '-down');
                    $label = self::label($part);
                    $orders[$name] = new OfferedOrder($name, "{$label}, {$direction->value}", [
                        new SortKey(new FieldValue($part->field), $direction, false),
                    ]);
                }
            }
        }

        return array_values($orders);
    }

    /** The name of a column's ascending order in the address; null if the column cannot be sorted. */
    public static function key(Part $part, Type $type): ?string
    {
        $field = $part->field;

        return $field !== null && self::isOrdered($field) && $type->field($field->key) !== null
            ? str_replace('_', '-', $field->key)
            : null;
    }

    /** The heading of a part's column. */
    public static function label(Part $part): string
    {
        return $part->style->label !== '' ? $part->style->label : ucfirst($part->words());
    }

    private static function isOrdered(Field $field): bool
    {
        return $field->through === null && $field->family()->ordered() && $field->key !== 'views';
    }
}
