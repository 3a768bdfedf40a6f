<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

use Wellspring\Core\Time\Calendar;
use Wellspring\Core\Time\CalendarUnit;

/**
 * The range that a filter of numbers or days offers: the least and greatest value, and the number of records between.
 */
final readonly class FacetRange
{
    /** Number of bars of equal width, unless all values are the same. */
    public const BARS = 12;

    private const DAYS = 31;

    private const WEEKS = 182;

    private const MONTHS = 1100;

    /**
     * @param  list<array{float|string, float|string, int}>  $bars  from, to, records; a number on the border of two
     *   bars counts in the second; both end days belong
     */
    private function __construct(public float|string $least, public float|string $greatest, public array $bars)
    {
    }

    /**
     * The limits and the step of the range's handles. The step is about a hundredth of the range.
     *
     * @param  int  $decimals  maximum number of decimals of the values
     * @return array{float, float, float}
     */
    public function scale(int $decimals): array
    {
        [$least, $greatest] = [(float) $this->least, (float) $this->greatest];
        $rough = max(($greatest - $least) / 100, 10 ** -$decimals);
        $power = 10 ** floor(log10($rough));
        $step = match (true) {
            $rough <= $power => $power,
            $rough <= 2 * $power => 2 * $power,
            $rough <= 5 * $power => 5 * $power,
            default => 10 * $power,
        };
        $digits = (int) max(0, ceil(-log10($step)));

        return [
            round(floor($least / $step) * $step, $digits),
            round(ceil($greatest / $step) * $step, $digits),
            round($step, $digits),
        ];
    }

    /** @param  array<int, int>  $records  by the index of the bar, 0 first */
    public static function ofNumbers(float $least, float $greatest, array $records): self
    {
        $last = $greatest > $least ? self::BARS - 1 : 0;
        $width = ($greatest - $least) / self::BARS;

        return new self($least, $greatest, array_map(fn (int $bar): array => [
            $least + $bar * $width,
            $bar === $last ? $greatest : $least + ($bar + 1) * $width,
            $records[$bar] ?? 0,
        ], range(0, $last)));
    }

    /**
     * @param  non-empty-array<string, int>  $records  by day
     * @return self bars of days, weeks, months or years, as the days lie apart
     */
    public static function ofDays(array $records, Calendar $calendar): self
    {
        ksort($records, SORT_STRING);
        [$least, $greatest] = [(string) array_key_first($records), (string) array_key_last($records)];
        $apart = (int) (new \DateTimeImmutable($least))->diff(new \DateTimeImmutable($greatest))->days;
        $unit = match (true) {
            $apart < self::DAYS => CalendarUnit::Day,
            $apart < self::WEEKS => CalendarUnit::Week,
            $apart < self::MONTHS => CalendarUnit::Month,
            default => CalendarUnit::Year,
        };
        $bars = [];
        for ($day = $calendar->firstDay($least, $unit); $day <= $greatest; $day = (string) $span->until) {
            $span = $calendar->stretch($day, $unit);
            $in = array_filter($records, fn (string $one): bool => $span->contains($one), ARRAY_FILTER_USE_KEY);
            $bars[] = [$day, $calendar->dayBefore((string) $span->until), array_sum($in)];
        }

        return new self($least, $greatest, $bars);
    }
}
