<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\WrongValue;

/** An item's terms of one taxonomy: slugs, or in a cell paths such as `Perennials > Ferns | Shade`. Not a field that a type file defines. */
final class Terms implements Kind
{
    public function key(): string
    {
        return 'terms';
    }

    public function family(): Family
    {
        return Family::Terms;
    }

    /** @return non-empty-list<string>|null slugs */
    public function read(mixed $value, Field $field): ?array
    {
        $terms = $field->taxonomy->terms ?? throw new \LogicException('A field of terms has a taxonomy.');
        if ($value === null || $value === []) {
            return null;
        }
        if (! is_array($value) || ! array_is_list($value)) {
            throw WrongValue::expected('a list of terms, each by its slug', $value);
        }
        $slugs = [];
        foreach ($value as $slug) {
            if (! is_string($slug) || $terms->find($slug) === null) {
                throw WrongValue::expected("the slug of a term of {$field->label}", $slug);
            }
            $slugs[$slug] = $slug;
        }

        return array_values($slugs);
    }

    /** @return non-empty-list<string>|null slugs */
    public function readCell(string $cell, Field $field): ?array
    {
        $terms = $field->taxonomy->terms ?? throw new \LogicException('A field of terms has a taxonomy.');
        $slugs = [];
        foreach (explode('|', $cell) as $path) {
            if (trim($path) === '') {
                continue;
            }
            $term = $terms->byPath(array_map(trim(...), explode('>', $path)))
                ?? $terms->find(trim($path))
                ?? throw WrongValue::expected("the path of a term of {$field->label}, such as “Perennials > Ferns”", trim($path));
            $slugs[$term->slug] = $term->slug;
        }

        return array_values($slugs) ?: null;
    }

    public function schema(Field $field): array
    {
        return ['type' => 'array', 'uniqueItems' => true, 'items' => ['type' => 'string']];
    }
}
