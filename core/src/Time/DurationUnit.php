<?php

declare(strict_types=1);

namespace Wellspring\Core\Time;

/** The units of durations. */
enum DurationUnit: string
{
    case Minutes = 'minutes';
    case Hours = 'hours';
    case Days = 'days';
    case Weeks = 'weeks';
    case Months = 'months';
    case Years = 'years';

    /** True if it is elapsed time; the other units keep the local time of day. */
    public function isElapsed(): bool
    {
        return $this === self::Minutes || $this === self::Hours;
    }

    /** Maximum amount in a rule, which keeps years at four digits. */
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
