<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

use Wellspring\Core\Time\Calendar;
use Wellspring\Core\Time\DurationUnit;
use Wellspring\Core\Wording\Format;

/** The opening hours of a week at one instant: open or closed, and the next change. */
final readonly class OpeningHours
{
    private const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

    private function __construct(public bool $isOpen, public ?\DateTimeImmutable $changesAt, private string $today)
    {
    }

    /**
     * @param  array<array-key, mixed>  $week  spans `[from, to]` (`HH:MM`, to at most `24:00`) by day: mon, tue …
     */
    public static function at(array $week, \DateTimeImmutable $now, Calendar $calendar): self
    {
        $today = $calendar->day($now);
        $spans = self::spans($week, $today, $calendar);
        foreach ($spans as [$from, $to]) {
            if ($now < $from) {
                return new self(false, $from, $today);
            }
            if ($now < $to) {
                return new self(true, count($spans) === 1 && self::isAlways($week) ? null : $to, $today);
            }
        }

        return new self(false, null, $today);
    }

    /** “Open now · closes at 17:00”, “Closed now · opens on Tuesday at 09:00”. */
    public function words(Format $format, Calendar $calendar): string
    {
        $at = $this->changesAt;
        if ($at === null) {
            return $format->words()->text($this->isOpen ? 'hours.always' : 'hours.closed');
        }
        $day = $calendar->day($at);

        return $format->words()->text(
            'hours.'.($this->isOpen ? 'closes' : 'opens').($day === $this->today ? 'At' : 'On'),
            [
                'time' => $format->timeOfDay($at->setTimezone($calendar->zone)->format('H:i')),
                'day' => $format->dateAs($day, 'EEEE'),
            ],
        );
    }

    /**
     * The spans from yesterday to a week ahead. Spans that meet at midnight are one.
     *
     * @param  array<array-key, mixed>  $week
     * @return list<array{\DateTimeImmutable, \DateTimeImmutable}>
     */
    private static function spans(array $week, string $today, Calendar $calendar): array
    {
        $spans = [];
        for ($ahead = -1; $ahead <= 8; $ahead++) {
            $day = $calendar->movedDay($today, $ahead, DurationUnit::Days);
            $name = self::DAYS[(int) (new \DateTimeImmutable($day))->format('N') - 1];
            foreach (is_array($week[$name] ?? null) ? $week[$name] : [] as $span) {
                [$from, $to] = is_array($span) ? array_values($span) + ['', ''] : ['', ''];
                $from = self::moment($day, (string) $from, $calendar);
                $to = self::moment($day, (string) $to, $calendar);
                $last = array_key_last($spans);
                if ($last !== null && $spans[$last][1] >= $from) {
                    $spans[$last][1] = $to;
                } else {
                    $spans[] = [$from, $to];
                }
            }
        }

        return $spans;
    }

    private static function moment(string $day, string $time, Calendar $calendar): \DateTimeImmutable
    {
        return $time === '24:00'
            ? new \DateTimeImmutable($calendar->movedDay($day, 1, DurationUnit::Days), $calendar->zone)
            : new \DateTimeImmutable("{$day} {$time}", $calendar->zone);
    }

    /** @param  array<array-key, mixed>  $week */
    private static function isAlways(array $week): bool
    {
        $wholeDay = [['00:00', '24:00']];

        return array_filter(self::DAYS, fn (string $day): bool => ($week[$day] ?? null) !== $wholeDay) === [];
    }
}
