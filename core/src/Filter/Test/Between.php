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

/** A number between two others; both ends belong. */
final readonly class Between implements Test
{
    use ValueTest;

    public function key(): string
    {
        return 'between';
    }

    public function suits(Family $family): bool
    {
        return $family === Family::Number;
    }

    public function wantsValue(): bool
    {
        return true;
    }

    /** @return array{int|float, int|float} */
    public function readValue(mixed $value, Field $field): array
    {
        if (! is_array($value) || ! array_is_list($value) || count($value) !== 2) {
            throw WrongValue::expected('two numbers, [from, to]', $value);
        }
        $ends = [Comparison::number($value[0]), Comparison::number($value[1])];
        if ($ends[0] > $ends[1]) {
            throw new WrongValue('expected two numbers, the smaller first, found '.json_encode($ends).'.');
        }

        return $ends;
    }

    public function valueSchema(): array
    {
        return ['type' => 'array', 'minItems' => 2, 'maxItems' => 2, 'items' => ['type' => 'number']];
    }

    public function isNegative(): bool
    {
        return false;
    }

    public function keeps(mixed $found, BoundCondition $condition, Context $context): bool
    {
        [$from, $to] = $this->readValue($condition->value, $condition->field);

        return (is_int($found) || is_float($found)) && $found >= $from && $found <= $to;
    }

    public function widened(mixed $found, BoundCondition $condition, Context $context): ?WiderValue
    {
        if (! is_int($found) && ! is_float($found)) {
            return null;
        }
        [$from, $to] = $this->readValue($condition->value, $condition->field);

        return new WiderValue('Widen the range to '.json_encode($found), [min($from, $found), max($to, $found)]);
    }

    public function words(Condition $condition): string
    {
        return 'is between';
    }

    public function valueWords(Condition $condition, Format $format): string
    {
        [$from, $to] = $this->readValue($condition->value, $condition->field);

        return json_encode($from).' and '.Comparison::numberWords($to, $condition->field);
    }
}
