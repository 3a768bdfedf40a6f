<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\ValueLists;
use Wellspring\Core\Time\Iso8601;
use Wellspring\Core\Time\Period;
use Wellspring\Core\Time\Span;
use Wellspring\Core\Wording\Format;

/**
 * A date on, before or after a day, a month or a year. An instant can also be before or after another, or between two.
 */
final readonly class DateIs extends DateTest
{
    /** @param  'on'|'before'|'after'|'between'  $key */
    public function __construct(private string $key)
    {
    }

    public function key(): string
    {
        return $this->key;
    }

    /** @return string|array{string, string} */
    public function readValue(mixed $value, Field $field): string|array
    {
        if ($this->key !== 'between') {
            return $this->one($value, $field);
        }
        if (! is_array($value) || ! array_is_list($value) || count($value) !== 2) {
            throw WrongValue::expected('two days, [from, to]', $value);
        }
        $ends = [$this->one($value[0], $field), $this->one($value[1], $field)];
        if (self::first($ends[0]) > self::first($ends[1])) {
            throw new WrongValue('expected two days, the earlier first, found '.json_encode($ends).'.');
        }

        return $ends;
    }

    public function valueSchema(): array
    {
        $end = ['type' => 'string', 'pattern' => '^[0-9]{4}(-[0-9]{2}(-[0-9]{2}(T.+)?)?)?$'];

        return $this->key === 'between'
            ? ['type' => 'array', 'minItems' => 2, 'maxItems' => 2, 'items' => $end]
            : $end;
    }

    public function span(Condition $condition, Context $context): Span
    {
        $ends = ValueLists::texts($condition->value);
        $spans = array_map(
            fn (string $end): Span => self::of($end, $condition->field, $context),
            [$ends[0], $ends[1] ?? $ends[0]],
        );

        return match ($this->key) {
            'before' => new Span(null, $spans[0]->from),
            'after' => new Span($spans[0]->until, null),
            default => new Span($spans[0]->from, $spans[1]->until),
        };
    }

    public function words(Condition $condition): string
    {
        return match ($this->key) {
            'on' => is_string($condition->value) && strlen($condition->value) < 10 ? 'is in' : 'is on',
            'between' => 'is between',
            default => "is {$this->key}",
        };
    }

    public function valueWords(Condition $condition, Format $format): string
    {
        return implode(' and ', array_map($format->period(...), ValueLists::texts($condition->value)));
    }

    private function one(mixed $value, Field $field): string
    {
        if (is_string($value) && Period::days($value) !== null) {
            return $value;
        }
        $at = is_string($value) && strlen($value) > 10 && $field->family() === Family::Instant && $this->key !== 'on'
            ? Iso8601::parse($value)
            : null;
        $kept = $at === null ? '' : Iso8601::format($at);

        return preg_match('/^(?!0000)\d{4}-/', $kept) === 1 ? $kept : throw WrongValue::expected(
            'a day, a month or a year (2026-05-01, 2026-05, 2026)'.(
                $field->family() === Family::Instant && $this->key !== 'on'
                    ? ', or a moment (2026-05-01T18:30:00Z)'
                    : ''
            ),
            $value,
        );
    }

    /** An instant covers its whole second. */
    private static function of(string $end, Field $field, Context $context): Span
    {
        $days = Period::days($end);

        return $days === null
            ? new Span($end, Iso8601::format((new \DateTimeImmutable($end))->modify('+1 second')))
            : self::days($days, $field, $context->calendar);
    }

    private static function first(string $end): string
    {
        return Period::days($end)->from ?? $end;
    }
}
