<?php

declare(strict_types=1);

namespace Wellspring\Core\Time;

/**
 * Days, weeks and months in the site's time zone. A day is half open: it reaches from its first instant to the next
 * day's first instant, also when clocks change (IANA time zones, through PHP's copy).
 */
final readonly class Calendar
{
    /**
     * @param  int<1, 7>  $firstWeekday ISO 8601: 1 is Monday
     * @param  string  $locale for the names of months
     */
    public function __construct(
        public \DateTimeZone $zone,
        public int $firstWeekday = 1,
        public string $locale = 'en-GB',
    ) {
    }

    /** For a site with the locale: CLDR says which weekday comes first. */
    public static function of(string $timeZone, string $locale): self
    {
        $weekday = (\IntlCalendar::createInstance($timeZone, $locale)->getFirstDayOfWeek() + 5) % 7 + 1;

        return new self(new \DateTimeZone($timeZone), max(1, min(7, $weekday)), $locale);
    }

    /**
     * The name of a month or a year in the site's language (CLDR): “May 2026”, “mai 2026”.
     *
     * @param  string  $stretch `2026-05`, `2026`
     */
    public function named(string $stretch): string
    {
        if (strlen($stretch) !== 7) {
            return $stretch;
        }
        $pattern = (new \IntlDatePatternGenerator($this->locale))->getBestPattern('yMMMM');
        $formatter = new \IntlDateFormatter(
            $this->locale,
            \IntlDateFormatter::NONE,
            \IntlDateFormatter::NONE,
            'UTC',
            \IntlDateFormatter::GREGORIAN,
            (string) $pattern,
        );

        return (string) $formatter->format(new \DateTimeImmutable("{$stretch}-01", new \DateTimeZone('UTC')));
    }

    /** @return string the local day, `Y-m-d` */
    public function day(\DateTimeInterface $at): string
    {
        return \DateTimeImmutable::createFromInterface($at)->setTimezone($this->zone)->format('Y-m-d');
    }

    /** @return string the local day of an instant as text */
    public function dayOf(string $instant): string
    {
        return $this->day(new \DateTimeImmutable($instant));
    }

    /** @return string the first instant of the day, as text */
    public function firstInstant(string $day): string
    {
        return Iso8601::format(new \DateTimeImmutable($day.' 00:00:00', $this->zone));
    }

    /** The instant an amount of time later, or earlier if the amount is negative. */
    public function moved(\DateTimeImmutable $at, int $amount, DurationUnit $unit): \DateTimeImmutable
    {
        if ($unit->isElapsed()) {
            return $at->setTimestamp($at->getTimestamp() + $amount * ($unit === DurationUnit::Minutes ? 60 : 3600));
        }
        $local = $at->setTimezone($this->zone);
        $day = $this->movedDay($local->format('Y-m-d'), $amount, $unit);

        return new \DateTimeImmutable($day.' '.$local->format('H:i:s'), $this->zone);
    }

    /** The day a number of days, weeks, months or years later. If the month lacks the day, it is the month's last. */
    public function movedDay(string $day, int $amount, DurationUnit $unit): string
    {
        [$year, $month, $date] = array_map(intval(...), explode('-', $day));
        if ($unit === DurationUnit::Days || $unit === DurationUnit::Weeks) {
            $days = $amount * ($unit === DurationUnit::Weeks ? 7 : 1);

            return (new \DateTimeImmutable($day, new \DateTimeZone('UTC')))
                ->modify(sprintf('%+d days', $days))
                ->format('Y-m-d');
        }
        $months = $year * 12 + $month - 1 + $amount * ($unit === DurationUnit::Years ? 12 : 1);
        [$year, $month] = [intdiv($months, 12), $months % 12 + 1];

        $first = new \DateTimeImmutable(sprintf('%04d-%02d-01', $year, $month), new \DateTimeZone('UTC'));

        return sprintf('%04d-%02d-%02d', $year, $month, min($date, (int) $first->format('t')));
    }

    /** @return string the first day of the stretch that the day lies in */
    public function firstDay(string $day, CalendarUnit $stretch): string
    {
        return match ($stretch) {
            CalendarUnit::Day => $day,
            CalendarUnit::Week => $this->movedDay($day, -$this->daysIntoWeek($day), DurationUnit::Days),
            CalendarUnit::Month => substr($day, 0, 7).'-01',
            CalendarUnit::Year => substr($day, 0, 4).'-01-01',
        };
    }

    private function daysIntoWeek(string $day): int
    {
        $weekday = (int) (new \DateTimeImmutable($day, new \DateTimeZone('UTC')))->format('N');

        return ($weekday - $this->firstWeekday + 7) % 7;
    }

    /** The calendar unit `$shift` units after the one that contains `$day`, as days. */
    public function stretch(string $day, CalendarUnit $stretch, int $shift = 0): Span
    {
        $unit = DurationUnit::from($stretch->value.'s');
        $from = $this->movedDay($this->firstDay($day, $stretch), $shift, $unit);

        return new Span($from, $this->movedDay($from, 1, $unit));
    }

    public function dayBefore(string $day): string
    {
        return $this->movedDay($day, -1, DurationUnit::Days);
    }

    /** Whole days as instants. */
    public function instants(Span $days): Span
    {
        return new Span(
            $days->from === null ? null : $this->firstInstant($days->from),
            $days->until === null ? null : $this->firstInstant($days->until),
        );
    }
}
