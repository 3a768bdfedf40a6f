<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\MovingSpan;
use Wellspring\Core\Time\DurationUnit;
use Wellspring\Core\Time\Iso8601;
use Wellspring\Core\Time\Span;
use Wellspring\Core\Wording\Duration;
use Wellspring\Core\Wording\Format;

/** A date in the next or the last number of minutes, hours, days, weeks, months or years; both ends belong. */
final readonly class DateWithinDuration extends DateTest
{
    public function __construct(private bool $ahead)
    {
    }

    public function key(): string
    {
        return $this->ahead ? 'inNext' : 'inLast';
    }

    /** @return array{amount: int, unit: string} */
    public function readValue(mixed $value, Field $field): array
    {
        $unit = is_array($value) && is_string($value['unit'] ?? null) ? DurationUnit::tryFrom($value['unit']) : null;
        $units = array_filter(
            DurationUnit::cases(),
            fn (DurationUnit $unit): bool => $field->family() === Family::Instant || ! $unit->isElapsed(),
        );
        if (
            ! is_array($value)
            || $unit === null
            || ! in_array($unit, $units, true)
            || array_diff(array_keys($value), ['amount', 'unit']) !== []
        ) {
            throw WrongValue::expected(
                'an amount and a unit, {"amount": 30, "unit": "days"}, the unit one of '.implode(
                    ', ',
                    array_map(fn (DurationUnit $unit): string => $unit->value, $units),
                ),
                is_array($value) ? $value['unit'] ?? $value : $value,
            );
        }
        $amount = $value['amount'] ?? null;
        if (! is_int($amount) || $amount < 1 || $amount > $unit->largestAmount()) {
            throw WrongValue::expected("an amount from 1 to {$unit->largestAmount()}", $amount);
        }

        return ['amount' => $amount, 'unit' => $unit->value];
    }

    public function valueSchema(): array
    {
        return [
            'type' => 'object',
            'additionalProperties' => false,
            'required' => ['amount', 'unit'],
            'properties' => [
                'amount' => ['type' => 'integer', 'minimum' => 1],
                'unit' => ['enum' => array_column(DurationUnit::cases(), 'value')],
            ],
        ];
    }

    public function changesDaily(Condition $condition): bool
    {
        return $condition->field->family() === Family::Date;
    }

    public function movingSpan(Condition $condition, Context $context): ?MovingSpan
    {
        return $condition->field->family() === Family::Date
            ? null
            : new MovingSpan($this->span($condition, $context), ! $this->length($condition)[1]->isElapsed());
    }

    public function span(Condition $condition, Context $context): Span
    {
        [$amount, $unit] = $this->length($condition);
        $amount = $this->ahead ? $amount : -$amount;
        $ends = $condition->field->family() === Family::Date
            ? [$context->today(), $context->calendar->movedDay($context->today(), $amount, $unit)]
            : [$context->at(), Iso8601::format($context->calendar->moved($context->now, $amount, $unit))];
        sort($ends);
        $after = $condition->field->family() === Family::Date
            ? $context->calendar->movedDay($ends[1], 1, DurationUnit::Days)
            : Iso8601::format((new \DateTimeImmutable($ends[1]))->modify('+1 second'));

        return new Span($ends[0], $after);
    }

    public function words(Condition $condition): string
    {
        return $this->ahead ? 'is in the next' : 'was in the last';
    }

    public function valueWords(Condition $condition, Format $format): string
    {
        [$amount, $unit] = $this->length($condition);

        return Duration::words($amount, $unit);
    }

    /** @return array{int, DurationUnit} */
    private function length(Condition $condition): array
    {
        $given = $this->readValue($condition->value, $condition->field);

        return [$given['amount'], DurationUnit::from($given['unit'])];
    }
}
