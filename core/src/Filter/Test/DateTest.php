<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Time\Calendar;
use Wellspring\Core\Time\Span;
use Wellspring\Core\Wording\Format;

/** A test of a date or an instant: it lies in a span that depends on the rule and the current instant. */
abstract readonly class DateTest implements Test
{
    use ValueTest;

    public function suits(Family $family): bool
    {
        return $family === Family::Date || $family === Family::Instant;
    }

    public function wantsValue(): bool
    {
        return true;
    }

    public function readValue(mixed $value, Field $field): mixed
    {
        return null;
    }

    public function valueSchema(): array
    {
        return [];
    }

    public function isNegative(): bool
    {
        return false;
    }

    /** The span of days, or of instants, that pass. */
    abstract public function span(Condition $condition, Context $context): Span;

    public function keeps(mixed $found, BoundCondition $condition, Context $context): bool
    {
        return is_string($found) && $this->span($condition, $context)->contains($found);
    }

    public function valueWords(Condition $condition, Format $format): string
    {
        return '';
    }

    /** Whole days, in the form of the field's values. */
    protected static function days(Span $days, Field $field, Calendar $calendar): Span
    {
        return $field->family() === Family::Date ? $days : $calendar->instants($days);
    }
}
