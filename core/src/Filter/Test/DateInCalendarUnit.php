<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Time\CalendarUnit;
use Wellspring\Core\Time\Span;
use Wellspring\Core\Wording\Format;

/** A date in this, the last or the next calendar day, week, month or year. */
final readonly class DateInCalendarUnit extends DateTest
{
    /** @param  'current'|'previous'|'following'  $key */
    public function __construct(private string $key)
    {
    }

    public function key(): string
    {
        return $this->key;
    }

    public function readValue(mixed $value, Field $field): string
    {
        $stretch = is_string($value) ? CalendarUnit::tryFrom($value) : null;

        return $stretch->value ?? throw WrongValue::expected('one of day, week, month, year', $value);
    }

    public function valueSchema(): array
    {
        return ['enum' => array_column(CalendarUnit::cases(), 'value')];
    }

    public function changesDaily(Condition $condition): bool
    {
        return true;
    }

    public function span(Condition $condition, Context $context): Span
    {
        $shift = match ($this->key) {
            'previous' => -1,
            'current' => 0,
            'following' => 1,
        };

        return self::days(
            $context->calendar->stretch(
                $context->today(),
                CalendarUnit::from($this->readValue($condition->value, $condition->field)),
                $shift,
            ),
            $condition->field,
            $context->calendar,
        );
    }

    public function words(Condition $condition): string
    {
        $isDay = $condition->value === 'day';

        return match ($this->key) {
            'previous' => $isDay ? 'was' : 'was last',
            'current' => $isDay ? 'is' : 'is this',
            'following' => $isDay ? 'is' : 'is next',
        };
    }

    public function valueWords(Condition $condition, Format $format): string
    {
        $stretch = is_string($condition->value) ? $condition->value : '';

        return $stretch !== 'day' ? $stretch : match ($this->key) {
            'previous' => 'yesterday',
            'current' => 'today',
            'following' => 'tomorrow',
        };
    }
}
