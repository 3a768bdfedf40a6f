<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\WrongValue;

/** A number, or an amount of money in the site's currency: an int, or a float that is finite. */
final readonly class Number implements Kind
{
    /** @param  'number'|'money'  $key */
    public function __construct(private string $key)
    {
    }

    public function key(): string
    {
        return $this->key;
    }

    public function family(): Family
    {
        return Family::Number;
    }

    public function read(mixed $value, Field $field): int|float|null
    {
        if ($value === null) {
            return null;
        }
        if (! is_int($value) && ! is_float($value) || is_float($value) && ! is_finite($value)) {
            throw WrongValue::expected('a number', $value);
        }
        if ($field->minimum !== null && $value < $field->minimum) {
            throw WrongValue::expected('a number of at least '.json_encode($field->minimum), $value);
        }
        if ($field->maximum !== null && $value > $field->maximum) {
            throw WrongValue::expected('a number of at most '.json_encode($field->maximum), $value);
        }
        $whole = is_float($value) && abs($value) < 2 ** 53 ? (int) $value : null;

        return $whole !== null && (float) $whole === $value ? $whole : $value;
    }

    public function readCell(string $cell, Field $field): int|float|null
    {
        $cell = trim($cell);
        if ($cell === '') {
            return null;
        }
        if (preg_match('/^[+-]?(\d+(\.\d*)?|\.\d+)([eE][+-]?\d+)?$/D', $cell) !== 1) {
            throw WrongValue::expected('a number with a point, such as 4.20', $cell);
        }

        return $this->read(self::parse($cell), $field);
    }

    /** A whole number that fits stays whole. */
    private static function parse(string $cell): int|float
    {
        $whole = filter_var($cell, FILTER_VALIDATE_INT);

        return $whole === false ? (float) $cell : $whole;
    }

    public function schema(Field $field): array
    {
        return ['type' => 'number']
            + ($field->minimum === null ? [] : ['minimum' => $field->minimum])
            + ($field->maximum === null ? [] : ['maximum' => $field->maximum]);
    }
}
