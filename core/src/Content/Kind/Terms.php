<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Text\Whitespace;
use Wellspring\Core\Wording\Format;

/**
 * An item's terms of one taxonomy: slugs, or paths in a cell, such as `Perennials > Ferns | Shade`. Type files cannot
 * define this kind.
 */
final class Terms implements Kind
{
    use NoLimits;

    public function key(): string
    {
        return 'terms';
    }

    public function family(): Family
    {
        return Family::Terms;
    }

    public function words(): string
    {
        return 'Terms';
    }

    public function limits(): array
    {
        return [];
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
            if (Whitespace::trim($path) === '') {
                continue;
            }
            $term = $terms->byPath(array_map(Whitespace::trim(...), explode('>', $path)))
                ?? $terms->find(Whitespace::trim($path))
                ?? throw WrongValue::expected(
                    "the path of a term of {$field->label}".$this->example($field),
                    Whitespace::trim($path),
                );
            $slugs[$term->slug] = $term->slug;
        }

        return array_values($slugs) ?: null;
    }

    public function writeCell(mixed $value, Field $field): string
    {
        return implode(
            ' | ',
            array_map(fn (mixed $slug): string => $this->path($field, is_string($slug) ? $slug : ''), (array) $value),
        );
    }

    /** An example term of the taxonomy for a message; empty if it has none. */
    private function example(Field $field): string
    {
        $first = $field->taxonomy?->terms->all()[0] ?? null;

        return $first === null ? '; there are none yet' : ", such as “{$this->path($field, $first->slug)}”";
    }

    /** The term's path of names; its slug if the names are ambiguous or contain a separator. */
    private function path(Field $field, string $slug): string
    {
        $terms = $field->taxonomy->terms ?? throw new \LogicException('A field of terms has a taxonomy.');
        $names = [];
        for (
            $term = $terms->find($slug);
            $term !== null;
            $term = $term->parent === null ? null : $terms->find($term->parent)
        ) {
            array_unshift($names, $term->name);
        }
        $plain = ! str_contains(implode('', $names), '|')
            && ! str_contains(implode('', $names), '>')
            && array_filter($names, Whitespace::isAtAnEnd(...)) === [];

        return $plain && $names !== [] && $terms->byPath($names)?->slug === $slug ? implode(' > ', $names) : $slug;
    }

    public function display(mixed $value, Field $field, Format $format, array $names): string
    {
        return implode(', ', array_map($field->choiceLabel(...), array_filter((array) $value, is_string(...))));
    }

    public function schema(Field $field): array
    {
        return ['type' => 'array', 'uniqueItems' => true, 'items' => ['type' => 'string']];
    }
}
