<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Filter\WiderValue;
use Wellspring\Core\Wording\Format;

/** A number compared with a number. “Is not” keeps records without a number; the other tests do not. */
final readonly class Comparison implements Test
{
    use ValueTest;

    public function __construct(public ComparisonOperator $operator)
    {
    }

    public function key(): string
    {
        return $this->operator->value;
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

    public function valueSchema(): array
    {
        return ['type' => 'number'];
    }

    public function isNegative(): bool
    {
        return $this->operator === ComparisonOperator::NotEqual;
    }

    public function keeps(mixed $found, BoundCondition $condition, Context $context): bool
    {
        if (! is_int($found) && ! is_float($found)) {
            return $this->operator === ComparisonOperator::NotEqual;
        }

        return $this->operator->holds($found, self::number($condition->value));
    }

    public function widened(mixed $found, BoundCondition $condition, Context $context): ?WiderValue
    {
        $beyond = match ($this->operator) {
            ComparisonOperator::Less => 1,
            ComparisonOperator::More => -1,
            ComparisonOperator::AtMost, ComparisonOperator::AtLeast => 0,
            default => null,
        };

        return $beyond === null || ! is_int($found) && ! is_float($found)
            ? null
            : new WiderValue('Move the limit to '.json_encode($found + $beyond), $found + $beyond);
    }

    public function words(Condition $condition): string
    {
        return $this->operator->words();
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
