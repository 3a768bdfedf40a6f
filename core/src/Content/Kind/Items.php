<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Limit\Limit;
use Wellspring\Core\Content\Limit\LimitReader;
use Wellspring\Core\Content\Limit\Limits;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Text\Slug;
use Wellspring\Core\Text\Whitespace;

/** Other items in an order, each by its slug; if the field allows several types, as `type/slug`. */
final class Items implements Kind
{
    use NamedLinks;

    public function key(): string
    {
        return 'items';
    }

    public function family(): Family
    {
        return Family::Items;
    }

    public function words(): string
    {
        return 'Other items';
    }

    public function limits(): array
    {
        return [Limit::Types, Limit::MaxItems];
    }

    public function readLimits(LimitReader $words): Limits
    {
        return new Limits(maxItems: $words->maxItems());
    }

    /** @return non-empty-list<string>|null each `type/slug` */
    public function read(mixed $value, Field $field): ?array
    {
        if ($value === null || $value === []) {
            return null;
        }
        if (! is_array($value) || ! array_is_list($value)) {
            throw WrongValue::expected('a list of items, each by its slug', $value);
        }
        $names = array_values(array_unique(array_map(fn (mixed $one): string => self::name($one, $field), $value)));
        $field->limits->holdCount($names);

        return $names;
    }

    /** The form for files and people: without the type if there is only one. */
    public static function short(string $name, Field $field): string
    {
        return count($field->types) === 1 ? explode('/', $name, 2)[1] ?? $name : $name;
    }

    private static function name(mixed $value, Field $field): string
    {
        $text = is_string($value) ? Whitespace::trim($value) : '';
        if (! str_contains($text, '/') && count($field->types) === 1) {
            $text = "{$field->types[0]}/{$text}";
        }
        [$type, $slug] = explode('/', $text, 2) + ['', ''];

        return in_array($type, $field->types, true) && Slug::isOne($slug)
            ? "{$type}/{$slug}"
            : throw WrongValue::expected(
                count($field->types) === 1
                    ? "the slug of an item of {$field->types[0]}"
                    : 'an item as type/slug, the type one of '.implode(', ', $field->types),
                $value,
            );
    }

    public function readCell(string $cell, Field $field): mixed
    {
        return $this->read(Whitespace::parts($cell, '|'), $field);
    }

    public function writeCell(mixed $value, Field $field): string
    {
        return implode(
            ' | ',
            array_map(fn (mixed $one): string => self::short(is_string($one) ? $one : '', $field), (array) $value),
        );
    }

    public function schema(Field $field): array
    {
        return ['type' => 'array', 'uniqueItems' => true, 'items' => ['type' => 'string']] + (
            $field->limits->maxItems === null ? [] : ['maxItems' => $field->limits->maxItems]
        );
    }
}
