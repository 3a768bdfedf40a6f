<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\MovingSpan;
use Wellspring\Core\Time\Span;

/** A date in the past or in the future: an instant compared with now, a day compared with today. */
final readonly class DatePast extends DateTest
{
    public function __construct(private bool $past)
    {
    }

    public function key(): string
    {
        return $this->past ? 'past' : 'toCome';
    }

    public function wantsValue(): bool
    {
        return false;
    }

    public function changesDaily(Condition $condition): bool
    {
        return $condition->field->family() === Family::Date;
    }

    public function movingSpan(Condition $condition, Context $context): ?MovingSpan
    {
        return $condition->field->family() === Family::Date
            ? null
            : new MovingSpan($this->span($condition, $context), keepsLocalTime: false);
    }

    public function span(Condition $condition, Context $context): Span
    {
        $now = $condition->field->family() === Family::Date ? $context->today() : $context->at();

        return $this->past ? new Span(null, $now) : new Span($now, null);
    }

    public function words(Condition $condition): string
    {
        return $this->past ? 'is past' : 'is to come';
    }
}
