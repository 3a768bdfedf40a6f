<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Wording\Format;

/** A number against a number. “Is not” keeps records without a number; the others do not. */
final readonly class Comparison implements Test
{
    public function __construct(public ComparisonOperator $relation)
    {
    }

    public function key(): string
    {
        return $this->relation->value;
    }

    public function suits(Family $family): bool
    {
        return $family === Family::Number;
    }

    public function wantsValue(): bool
    {
        return true;
    }

    public function readValue(mixed $value, Field $field): int|float
    {
        return self::number($value);
    }

    public function isNegative(): bool
    {
        return $this->relation === ComparisonOperator::NotEqual;
    }

    public function keeps(mixed $found, Condition $condition, Context $context): bool
    {
        if (! is_int($found) && ! is_float($found)) {
            return $this->relation === ComparisonOperator::NotEqual;
        }

        return $this->relation->holds($found, self::number($condition->value));
    }

    public function words(Condition $condition): string
    {
        return $this->relation->words();
    }

    public function valueWords(Condition $condition, Format $format): string
    {
        return self::numberWords($condition->value, $condition->field);
    }

    /** @throws WrongValue */
    public static function number(mixed $value): int|float
    {
        return is_int($value) || is_float($value) && is_finite($value)
            ? $value
            : throw WrongValue::expected('a number', $value);
    }

    public static function numberWords(mixed $value, Field $field): string
    {
        return json_encode($value).($field->unit === '' ? '' : ' '.$field->unit);
    }
}
