<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Limit\Limit;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Wording\Format;

/** One of the field's choices. */
final class Choice implements Kind
{
    use NoLimits;
    use SingleText;

    public function key(): string
    {
        return 'choice';
    }

    public function family(): Family
    {
        return Family::Choice;
    }

    public function words(): string
    {
        return 'One choice';
    }

    public function limits(): array
    {
        return [Limit::Choices, Limit::Default];
    }

    public function read(mixed $value, Field $field): ?string
    {
        if ($value === null || $value === '') {
            return null;
        }
        if (! is_string($value) || ! array_key_exists($value, $field->choices)) {
            throw WrongValue::expected('one of '.implode(', ', array_keys($field->choices)), $value);
        }

        return $value;
    }

    public function display(mixed $value, Field $field, Format $format, array $names): ?string
    {
        return is_string($value) ? $field->choiceLabel($value) : null;
    }

    public function schema(Field $field): array
    {
        return ['enum' => array_map(strval(...), array_keys($field->choices))];
    }
}
