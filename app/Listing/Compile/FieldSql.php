<?php

declare(strict_types=1);

namespace App\Listing\Compile;

use App\Database\PostgresArray;
use App\Listing\Visibility;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Sort\Comparator;

/**
 * The SQL expression of a record's field. `$of` is the table's name in the query: the items, or the linked records.
 */
final class FieldSql
{
    /** The collation for sorting text. The migrations create it from the site's locale. */
    private const COLLATION = 'wellspring_text';

    /** Maximum number of characters of a text in an index, because an index entry is limited to 2,704 bytes. */
    public const INDEXED_LETTERS = Comparator::LETTERS;

    /** The value as text; null if it is empty. Not for terms and links. */
    public static function raw(Field $field, string $of = 'items'): string
    {
        return match (true) {
            $field->origin === Origin::Taxonomy => throw new \LogicException('Terms do not stand in the item.'),
            $field->origin === Origin::Type => "({$of}.fields->>'".self::key($field)."')",
            $field->key === 'views' => '(select coalesce(sum(item_views.views), 0) from item_views where '
                ."item_views.item_id = {$of}.id)",
            $field->key === 'author' => "{$of}.author_id",
            default => "{$of}.".self::key($field),
        };
    }

    /**
     * The same query, reading values from generated columns where they exist.
     *
     * @param  array<array-key, string>  $columns  of `items`, by field, see ValueColumns
     */
    public static function inColumns(string $sql, array $columns): string
    {
        $forms = [];
        foreach ($columns as $field => $column) {
            $forms["(items.fields->>'{$field}')"] = "(items.{$column})";
            $forms["(items.fields->'{$field}')"] = "(items.{$column}::jsonb)";
        }

        return strtr($sql, $forms);
    }

    /** The value as a number. */
    public static function number(Field $field, string $of = 'items'): string
    {
        $number = self::raw($field, $of).'::numeric';

        // Other types may store other kinds of values under the same key, and PostgreSQL may evaluate the cast before
        // it checks the type.
        return $field->shared && $field->origin === Origin::Type
            ? "case when jsonb_typeof({$of}.fields->'".self::key($field)."') = 'number' then {$number} end"
            : $number;
    }

    /** A list as stored. */
    public static function json(Field $field, string $of = 'items'): string
    {
        return "({$of}.fields->'".self::key($field)."')";
    }

    /** The text in its folded form, for comparisons. */
    public static function folded(Field $field, string $of = 'items'): string
    {
        return "({$of}.folded->>'".self::key($field)."')";
    }

    /** The beginning of the folded text, as stored in an index. */
    public static function beginning(Field $field, string $of = 'items'): string
    {
        return 'left('.self::folded($field, $of).', '.self::INDEXED_LETTERS.')';
    }

    /**
     * True if the text is one of the given ones. The query uses an index on the beginning, and compares the full text
     * if one of them is longer.
     *
     * @param  list<string>  $texts  in folded form
     */
    public static function isOneOf(Field $field, array $texts, string $of = 'items'): Fragment
    {
        $begins = array_map(fn (string $text): string => mb_substr($text, 0, self::INDEXED_LETTERS), $texts);
        $among = new Fragment(self::beginning($field, $of).' = any(?::text[])', [PostgresArray::literal($begins)]);
        // A text below the limit equals its beginning.
        $isLong = fn (string $text): bool => mb_strlen($text) >= self::INDEXED_LETTERS;

        return array_filter($texts, $isLong) === [] ? $among : Fragment::all([
            $among,
            new Fragment(self::folded($field, $of).' = any(?::text[])', [PostgresArray::literal($texts)]),
        ]);
    }

    /** A date or an instant in a form that compares with a binding. */
    public static function moment(Field $field, string $of = 'items'): string
    {
        return self::raw($field, $of).($field->origin === Origin::Item ? '' : ' collate "C"');
    }

    /** True if there is a value that the viewer may see. Linked records may be hidden. */
    public static function filled(Field $field, Context $context, string $of = 'items'): Fragment
    {
        return match (true) {
            $field->origin === Origin::Taxonomy => new Fragment(
                'exists (select 1 from item_term join terms on terms.id = item_term.term_id where item_term.item_id = '
                    ."{$of}.id and terms.taxonomy_key = ?)",
                [$field->ownKey()],
            ),
            $field->family()->isLink() => self::linked($field, $context, $of),
            default => new Fragment(self::raw($field, $of).' is not null'),
        };
    }

    /**
     * True if the field links to an item or a person that the viewer may see.
     *
     * @param  Fragment|null  $and  a further condition on the linked record, which the query calls `named`
     */
    public static function linked(Field $field, Context $context, string $of, ?Fragment $and = null): Fragment
    {
        $and ??= Fragment::true();
        if ($field->family() === Family::Person) {
            $person = Visibility::ofPerson('named')." and ({$and->sql})";

            return $field->origin === Origin::Item
                ? new Fragment(
                    "exists (select 1 from users named where named.id = {$of}.author_id and {$person})",
                    $and->bindings,
                )
                : new Fragment(
                    'exists (select 1 from item_links join users named on named.id = item_links.person_id where '
                        ."item_links.item_id = {$of}.id and item_links.field = ? and {$person})",
                    [$field->ownKey(), ...$and->bindings],
                );
        }
        $item = Fragment::all([Visibility::ofItem($context, 'named'), $and]);

        return new Fragment(
            'exists (select 1 from item_links join items named on named.id = item_links.target_id where '
                ."item_links.item_id = {$of}.id and item_links.field = ? and {$item->sql})",
            [$field->ownKey(), ...$item->bindings],
        );
    }

    /** The expression that sorts by the field. */
    public static function order(Field $field): Fragment
    {
        $raw = self::raw($field);
        if ($field->origin === Origin::Item && $field->family() !== Family::Text) {
            return new Fragment($raw);
        }

        return match ($field->family()) {
            Family::Text => new Fragment("left({$raw}, ".self::INDEXED_LETTERS.') collate '.self::COLLATION),
            Family::Number => new Fragment(self::number($field)),
            Family::YesNo => new Fragment("{$raw}::boolean"),
            Family::Choice => new Fragment(
                "case when {$raw} is not null then coalesce(array_position(?::text[], {$raw}), ?::int) end",
                [
                    PostgresArray::literal(array_map(strval(...), array_keys($field->choices))),
                    count($field->choices) + 1,
                ],
            ),
            Family::Date, Family::Instant => new Fragment("{$raw} collate \"C\""),
            default => throw new \LogicException("{$field->key} has no order."),
        };
    }

    private static function key(Field $field): string
    {
        return preg_match(Field::KEY, $field->ownKey()) === 1
            ? $field->ownKey()
            : throw new \LogicException("“{$field->key}” is not a field’s key.");
    }
}
