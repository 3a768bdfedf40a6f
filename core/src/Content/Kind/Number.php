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
use Wellspring\Core\Text\Whitespace;
use Wellspring\Core\Wording\Format;

/** A number, or an amount of money in the site's currency: an int, or a finite float. */
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

    public function words(): string
    {
        return $this->key === 'money' ? 'Money' : 'Number';
    }

    public function limits(): array
    {
        return [
            ...$this->key === 'money' ? [] : [Limit::Unit], Limit::Minimum, Limit::Maximum, Limit::Decimals,
            Limit::RangeFrom, Limit::Default,
        ];
    }

    public function readLimits(LimitReader $words): Limits
    {
        [$minimum, $maximum] = $words->numbers();

        $decimals = $words->own->wholeOrNull('decimals', 0, 10);

        return new Limits($minimum, $maximum, $decimals, rangeFrom: $words->rangeFrom());
    }

    public function read(mixed $value, Field $field): int|float|null
    {
        if ($value === null) {
            return null;
        }
        if (! is_int($value) && ! is_float($value) || is_float($value) && ! is_finite($value)) {
            throw WrongValue::expected('a number', $value);
        }
        if ($field->limits->minimum !== null && $value < $field->limits->minimum) {
            throw WrongValue::expected('a number of at least '.json_encode($field->limits->minimum), $value);
        }
        if ($field->limits->maximum !== null && $value > $field->limits->maximum) {
            throw WrongValue::expected('a number of at most '.json_encode($field->limits->maximum), $value);
        }
        $decimals = $field->limits->decimals;
        if ($decimals !== null && round($value, $decimals) != $value) {
            throw WrongValue::expected(
                $decimals === 0 ? 'a whole number' : "a number with at most {$decimals} digits after the point",
                $value,
            );
        }
        $whole = is_float($value) && abs($value) < 2 ** 53 ? (int) $value : null;

        return $whole !== null && (float) $whole === $value ? $whole : $value;
    }

    public function readCell(string $cell, Field $field): int|float|null
    {
        $cell = Whitespace::trim($cell);
        if ($cell === '') {
            return null;
        }
        if (preg_match('/^[+-]?(\d+(\.\d*)?|\.\d+)([eE][+-]?\d+)?$/D', $cell) !== 1) {
            throw WrongValue::expected('a number with a point, such as 4.20', $cell);
        }

        return $this->read(self::parse($cell), $field);
    }

    /** A whole number that fits stays an int. */
    private static function parse(string $cell): int|float
    {
        $whole = filter_var($cell, FILTER_VALIDATE_INT);

        return $whole === false ? (float) $cell : $whole;
    }

    public function writeCell(mixed $value, Field $field): string
    {
        return json_encode($value, JSON_THROW_ON_ERROR);
    }

    public function display(mixed $value, Field $field, Format $format, array $names): ?string
    {
        return match (true) {
            ! is_int($value) && ! is_float($value) => null,
            $this->key === 'money' => $format->money($value),
            default => $format->number($value, $field->unit),
        };
    }

    public function schema(Field $field): array
    {
        return ['type' => 'number']
            + ($field->limits->minimum === null ? [] : ['minimum' => $field->limits->minimum])
            + ($field->limits->maximum === null ? [] : ['maximum' => $field->limits->maximum]);
    }
}
