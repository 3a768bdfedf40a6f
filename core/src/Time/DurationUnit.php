<?php

declare(strict_types=1);

namespace Wellspring\Core\Time;

/** What lengths of time are counted in. */
enum DurationUnit: string
{
    case Minutes = 'minutes';
    case Hours = 'hours';
    case Days = 'days';
    case Weeks = 'weeks';
    case Months = 'months';
    case Years = 'years';

    /** Whether it is counted in elapsed time; the others keep the local time of day. */
    public function isElapsed(): bool
    {
        return $this === self::Minutes || $this === self::Hours;
    }

    /** The largest amount that a rule may name: what stays within years of four digits. */
    public function largestAmount(): int
    {
        return match ($this) {
            self::Minutes, self::Hours, self::Days => 100_000,
            self::Weeks => 10_000,
            self::Months => 6_000,
            self::Years => 500,
        };
    }
}
