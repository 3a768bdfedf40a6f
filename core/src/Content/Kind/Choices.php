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

/** Any number of the field's choices, each once, in the field's order. */
final class Choices implements Kind
{
    use TextList;

    public function key(): string
    {
        return 'choices';
    }

    public function family(): Family
    {
        return Family::Choices;
    }

    public function words(): string
    {
        return 'Several choices';
    }

    public function limits(): array
    {
        return [Limit::Choices, Limit::MaxItems, Limit::Default];
    }

    public function readLimits(LimitReader $words): Limits
    {
        return new Limits(maxItems: $words->maxItems());
    }

    /** @return non-empty-list<string>|null */
    public function read(mixed $value, Field $field): ?array
    {
        if ($value === null || $value === []) {
            return null;
        }
        if (! is_array($value) || ! array_is_list($value)) {
            throw WrongValue::expected('a list of choices', $value);
        }
        foreach ($value as $one) {
            if (! is_string($one) || ! array_key_exists($one, $field->choices)) {
                throw WrongValue::expected('choices out of '.implode(', ', array_keys($field->choices)), $one);
            }
        }

        $kept = array_values(array_intersect(array_map(strval(...), array_keys($field->choices)), $value));
        $field->limits->holdCount($kept);

        return $kept ?: null;
    }

    public function schema(Field $field): array
    {
        return [
            'type' => 'array',
            'uniqueItems' => true,
            'items' => ['enum' => array_map(strval(...), array_keys($field->choices))],
        ]
            + ($field->limits->maxItems === null ? [] : ['maxItems' => $field->limits->maxItems]);
    }
}
