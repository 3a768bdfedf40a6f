<?php

declare(strict_types=1);

namespace App\Listing;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Origin;

/** Where an item's value of a field stands in the database. */
final class FieldSql
{
    /** The collation that text is ordered by; made with the database, from the site's locale. */
    private const COLLATION = 'wellspring_text';

    /** The value as text, null where it is empty. Not for terms. */
    public static function raw(Field $field): string
    {
        return match ($field->origin) {
            Origin::Item => 'items.'.self::key($field),
            Origin::Type => "(items.fields->>'".self::key($field)."')",
            Origin::Taxonomy => throw new \LogicException('Terms do not stand in the item.'),
        };
    }

    /** The value as a number. */
    public static function number(Field $field): string
    {
        return self::raw($field).'::numeric';
    }

    /** The text in the form in which it is compared. */
    public static function folded(Field $field): string
    {
        return "(items.folded->>'".self::key($field)."')";
    }

    public static function filled(Field $field): Fragment
    {
        if ($field->origin === Origin::Taxonomy) {
            return new Fragment('exists (select 1 from item_term join terms on terms.id = item_term.term_id where item_term.item_id = items.id and terms.taxonomy_key = ?)', [$field->key]);
        }

        if ($field->family()->isLink()) {
            return new Fragment('exists (select 1 from item_links where item_links.item_id = items.id and item_links.field = ?)', [$field->key]);
        }

        return new Fragment(self::raw($field).' is not null');
    }

    /** What the field is ordered by. */
    public static function order(Field $field): Fragment
    {
        $raw = self::raw($field);
        if ($field->origin === Origin::Item && $field->family() !== Family::Text) {
            return new Fragment($raw);
        }

        return match ($field->family()) {
            Family::Text => new Fragment("{$raw} collate ".self::COLLATION),
            Family::Number => new Fragment(self::number($field)),
            Family::YesNo => new Fragment("{$raw}::boolean"),
            Family::Choice => new Fragment(
                "case when {$raw} is not null then coalesce(array_position(?::text[], {$raw}), ?::int) end",
                [Fragment::arrayLiteral(array_map(strval(...), array_keys($field->choices))), count($field->choices) + 1],
            ),
            Family::Date, Family::Instant => new Fragment("{$raw} collate \"C\""),
            default => throw new \LogicException("{$field->key} has no order."),
        };
    }

    private static function key(Field $field): string
    {
        return preg_match(Field::KEY, $field->key) === 1 ? $field->key : throw new \LogicException("“{$field->key}” is not a field’s key.");
    }
}
