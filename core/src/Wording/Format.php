<?php

declare(strict_types=1);

namespace Wellspring\Core\Wording;

/** Writes values as the site does: numbers, money and dates by CLDR in its locale, currency and time zone. */
final class Format
{
    private \NumberFormatter $number;

    private \NumberFormatter $money;

    private \IntlDateFormatter $day;

    private \IntlDateFormatter $dayInZone;

    private \IntlDateFormatter $dateTime;

    private \IntlDateFormatter $month;

    private \DateTimeZone $zone;

    public function __construct(string $locale, private readonly string $currency, string $timeZone)
    {
        $this->number = new \NumberFormatter($locale, \NumberFormatter::DECIMAL);
        $this->number->setAttribute(\NumberFormatter::MAX_FRACTION_DIGITS, 6);
        $this->money = new \NumberFormatter($locale, \NumberFormatter::CURRENCY);
        $this->zone = new \DateTimeZone($timeZone);
        $patterns = new \IntlDatePatternGenerator($locale);
        $this->day = self::dates($locale, 'UTC', (string) $patterns->getBestPattern('yMMMd'));
        $this->dayInZone = self::dates($locale, $timeZone, (string) $patterns->getBestPattern('yMMMd'));
        $this->month = self::dates($locale, 'UTC', (string) $patterns->getBestPattern('yMMMM'));
        $this->dateTime = self::dates($locale, $timeZone, (string) $patterns->getBestPattern('yMMMdHHmm'));
    }

    /**
     * A day, a month, a year or a moment as conditions give them: “1 May 2026”, “May 2026”, “2026”, “1 May 2026,
     * 19:30”.
     *
     * @param  string  $period  `2026-05-01`, `2026-05`, `2026` or `2026-05-01T18:30:00Z`
     */
    public function period(string $period): string
    {
        return match (strlen($period)) {
            4 => $period,
            7 => $this->date($this->month, "{$period}-01T00:00:00Z"),
            10 => $this->date($this->day, "{$period}T00:00:00Z"),
            default => $this->date($this->dateTime, $period),
        };
    }

    /** @param  string  $day  `2026-05-01` */
    public function day(string $day): string
    {
        return $this->date($this->day, "{$day}T00:00:00Z");
    }

    /** The day of an instant, in the site's time zone. */
    public function dayOf(string $instant): string
    {
        return $this->date($this->dayInZone, $instant);
    }

    /** An instant with its time of day. */
    public function dateTime(string $instant): string
    {
        return $this->date($this->dateTime, $instant);
    }

    /** An instant with its time of day; where that is midnight, the day alone. */
    public function moment(string $instant): string
    {
        $local = (new \DateTimeImmutable($instant))->setTimezone($this->zone);

        return $local->format('H:i:s') === '00:00:00' ? $this->dayOf($instant) : $this->dateTime($instant);
    }

    /** @param  string  $day  one of the month */
    public function month(string $day): string
    {
        return $this->date($this->month, "{$day}T00:00:00Z");
    }

    public function number(int|float $value, string $unit = ''): string
    {
        return $this->number->format($value).($unit === '' ? '' : "\u{A0}".$unit);
    }

    public function money(int|float $value): string
    {
        return (string) $this->money->formatCurrency((float) $value, $this->currency);
    }

    private function date(\IntlDateFormatter $with, string $instant): string
    {
        return (string) $with->format(new \DateTimeImmutable($instant));
    }

    private static function dates(string $locale, string $timeZone, string $pattern): \IntlDateFormatter
    {
        return new \IntlDateFormatter(
            $locale,
            \IntlDateFormatter::NONE,
            \IntlDateFormatter::NONE,
            $timeZone,
            \IntlDateFormatter::GREGORIAN,
            $pattern,
        );
    }
}
