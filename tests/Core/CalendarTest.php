<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Time\Calendar;
use Wellspring\Core\Time\CalendarUnit;
use Wellspring\Core\Time\DurationUnit;
use Wellspring\Core\Time\Iso8601;

/** Days, weeks and months on the site's clocks, and the tests of dates that rest on them. */
final class CalendarTest extends TestCase
{
    /** Source: the IANA time zone database's transitions, as PHP carries them. */
    #[DataProvider('zones')]
    public function test_a_day_is_as_long_as_the_clocks_make_it(string $zone): void
    {
        $calendar = new Calendar(new \DateTimeZone($zone));
        $from = new \DateTimeImmutable('2020-01-01', $calendar->zone);
        $changes = [];
        $offset = null;
        foreach ($calendar->zone->getTransitions(
            $from->getTimestamp(),
            $from->modify('+10 years')->getTimestamp(),
        ) ?: [] as $transition) {
            if ($offset !== null) {
                $day = $calendar->day(new \DateTimeImmutable('@'.$transition['ts']));
                $changes[$day] = $offset - $transition['offset'];
            }
            $offset = $transition['offset'];
        }
        $this->assertGreaterThanOrEqual(19, count($changes), 'clocks change twice a year');
        for ($day = '2020-01-01'; $day < '2029-12-31'; $day = $next) {
            $next = $calendar->movedDay($day, 1, DurationUnit::Days);
            $length = (new \DateTimeImmutable($calendar->firstInstant($next)))
                ->getTimestamp() - (new \DateTimeImmutable($calendar->firstInstant($day)))
                ->getTimestamp();
            $this->assertSame(86_400 + ($changes[$day] ?? 0), $length, "{$day} in {$zone}");
        }
    }

    /** @return array<string, array{string}> */
    public static function zones(): array
    {
        return [
            'an hour' => ['Europe/London'],
            'half an hour off, an hour' => ['America/St_Johns'],
            'half an hour' => ['Australia/Lord_Howe'],
        ];
    }

    public function test_months_end_on_their_last_day_and_the_time_of_day_stays(): void
    {
        $london = new Calendar(new \DateTimeZone('Europe/London'));
        // Whatever zone PHP itself is set to.
        foreach (['Pacific/Pago_Pago', 'America/New_York', 'UTC', 'Pacific/Kiritimati'] as $default) {
            $this->assertSame(
                '2026-02-28',
                self::under($default, fn (): string => $london->movedDay('2026-01-31', 1, DurationUnit::Months)),
                $default,
            );
            $this->assertSame(
                '2024-02-29',
                self::under($default, fn (): string => $london->movedDay('2023-12-31', 2, DurationUnit::Months)),
                $default,
            );
            $this->assertSame(
                '2026-03-29T23:00:00Z',
                self::under($default, fn (): string => $london->firstInstant('2026-03-30')),
                $default,
            );
        }
        foreach ([
            ['2026-01-31', 1, DurationUnit::Months, '2026-02-28'],
            ['2024-01-31', 1, DurationUnit::Months, '2024-02-29'],
            ['2026-03-31', -1, DurationUnit::Months, '2026-02-28'],
            ['2024-02-29', 1, DurationUnit::Years, '2025-02-28'],
            ['2024-02-29', -4, DurationUnit::Years, '2020-02-29'],
            ['2026-12-31', 2, DurationUnit::Months, '2027-02-28'],
            ['2026-01-01', -1, DurationUnit::Months, '2025-12-01'],
            ['2026-03-01', -1, DurationUnit::Days, '2026-02-28'],
            ['2026-02-25', 2, DurationUnit::Weeks, '2026-03-11'],
        ] as [$day, $amount, $unit, $expected]) {
            $this->assertSame($expected, $london->movedDay($day, $amount, $unit), "{$day} {$amount} {$unit->value}");
        }
        $eve = new \DateTimeImmutable('2026-03-28T12:00:00Z');
        $this->assertSame(
            '2026-03-29T11:00:00Z',
            Iso8601::format($london->moved($eve, 1, DurationUnit::Days)),
            'noon stays noon when clocks go forward',
        );
        $this->assertSame(
            '2026-03-29T12:00:00Z',
            Iso8601::format($london->moved($eve, 24, DurationUnit::Hours)),
            'hours are elapsed time',
        );
    }

    /** @param  \Closure(): string  $ask */
    private static function under(string $zone, \Closure $ask): string
    {
        $before = date_default_timezone_get();
        date_default_timezone_set($zone);
        try {
            return $ask();
        } finally {
            date_default_timezone_set($before);
        }
    }

    public function test_months_are_called_as_the_sites_language_calls_them(): void
    {
        // Source: CLDR's skeleton yMMMM, through ICU; the expected words are from memory.
        foreach ([
            'en-GB' => 'May 2026', 'fr-CA' => 'mai 2026', 'de-DE' => 'Mai 2026', 'es-ES' => 'mayo de 2026',
            'ja-JP' => '2026年5月',
        ] as $locale => $name) {
            $this->assertSame(
                [$name, '2026'],
                [Calendar::of('UTC', $locale)->named('2026-05'), Calendar::of('UTC', $locale)->named('2026')],
                $locale,
            );
        }
    }

    public function test_weeks_begin_on_the_sites_first_weekday(): void
    {
        // Source: CLDR's supplemental data on weeks, through ICU.
        foreach (['en-GB' => 1, 'en-US' => 7, 'ar-EG' => 6, 'de-DE' => 1] as $locale => $first) {
            $this->assertSame($first, Calendar::of('Europe/London', $locale)->firstWeekday, $locale);
        }
        foreach ([1 => '2026-06-01', 7 => '2026-05-31', 6 => '2026-05-30'] as $first => $begins) {
            $week = (new Calendar(new \DateTimeZone('UTC'), $first))->stretch('2026-06-03', CalendarUnit::Week);
            $this->assertSame(
                [$begins, (new \DateTimeImmutable($begins))->modify('+7 days')->format('Y-m-d')],
                [$week->from, $week->until],
            );
        }
        // ISO 8601: week 1 of 2027 begins on Monday 4 January; 31 December 2026 lies in the week from 28 December.
        $this->assertSame(
            '2026-12-28',
            (new Calendar(new \DateTimeZone('UTC')))->firstDay('2026-12-31', CalendarUnit::Week),
        );
    }

    /**
     * At noon on 1 June 2026, a Monday, in London.
     *
     * @param  array<string, mixed>  $condition
     * @param  list<string>  $kept
     * @param  list<string>  $dropped
     */
    #[DataProvider('dates')]
    public function test_dates_and_instants(string $field, array $condition, array $kept, array $dropped): void
    {
        $rule = Garden::module(['where' => ['all' => [['field' => $field] + $condition]]])->where->members[0] ?? null;
        $this->assertInstanceOf(Condition::class, $rule);
        $keeps = fn (?string $value): bool => $rule->bound(Garden::context('2026-06-01T11:00:00Z'))->keeps(
            Garden::record(1, [$field => $value]),
            Garden::context('2026-06-01T11:00:00Z'),
        );
        $this->assertSame(
            [$kept, []],
            [array_values(array_filter($kept, $keeps)), array_values(array_filter($dropped, $keeps))],
        );
        $this->assertFalse($keeps(null), 'a positive test fails on an empty value');
    }

    /** @return array<string, array{string, array<string, mixed>, list<string>, list<string>}> */
    public static function dates(): array
    {
        $near = fn (string $test, int $amount, string $unit): array => [
            'test' => $test,
            'value' => ['amount' => $amount, 'unit' => $unit],
        ];

        return [
            'in the next 7 days, a moment' => [
                'watered',
                $near('inNext', 7, 'days'),
                ['2026-06-01T11:00:00Z', '2026-06-08T11:00:00Z'],
                ['2026-06-01T10:59:59Z', '2026-06-08T11:00:01Z'],
            ],
            'in the next 7 days, a day' => [
                'sown',
                $near('inNext', 7, 'days'),
                ['2026-06-01', '2026-06-08'],
                ['2026-05-31', '2026-06-09'],
            ],
            'in the last 90 minutes' => [
                'watered',
                $near('inLast', 90, 'minutes'),
                ['2026-06-01T09:30:00Z', '2026-06-01T11:00:00Z'],
                ['2026-06-01T09:29:59Z', '2026-06-01T11:00:01Z'],
            ],
            'in the last 3 months, a day' => [
                'sown',
                $near('inLast', 3, 'months'),
                ['2026-03-01', '2026-06-01'],
                ['2026-02-28', '2026-06-02'],
            ],
            'this week' => [
                'watered',
                ['test' => 'current', 'value' => 'week'],
                ['2026-05-31T23:00:00Z', '2026-06-07T22:59:59Z'],
                ['2026-05-31T22:59:59Z', '2026-06-07T23:00:00Z'],
            ],
            'last month' => [
                'sown',
                ['test' => 'previous', 'value' => 'month'],
                ['2026-05-01', '2026-05-31'],
                ['2026-04-30', '2026-06-01'],
            ],
            'next year' => [
                'sown',
                ['test' => 'following', 'value' => 'year'],
                ['2027-01-01', '2027-12-31'],
                ['2026-12-31', '2028-01-01'],
            ],
            'today' => [
                'watered',
                ['test' => 'current', 'value' => 'day'],
                ['2026-05-31T23:00:00Z'],
                ['2026-06-01T23:00:00Z'],
            ],
            'past, a moment' => ['watered', ['test' => 'past'], ['2026-06-01T10:59:59Z'], ['2026-06-01T11:00:00Z']],
            'past, a day' => ['sown', ['test' => 'past'], ['2026-05-31'], ['2026-06-01']],
            'to come, a day' => ['sown', ['test' => 'toCome'], ['2026-06-01'], ['2026-05-31']],
            'on the day clocks go forward' => [
                'watered',
                ['test' => 'on', 'value' => '2026-03-29'],
                ['2026-03-29T00:00:00Z', '2026-03-29T22:59:59Z'],
                ['2026-03-28T23:59:59Z', '2026-03-29T23:00:00Z'],
            ],
            'in a month' => [
                'watered',
                ['test' => 'on', 'value' => '2026-03'],
                ['2026-03-01T00:00:00Z', '2026-03-31T22:59:59Z'],
                ['2026-03-31T23:00:00Z'],
            ],
            'before a day' => [
                'watered',
                ['test' => 'before', 'value' => '2026-06-01'],
                ['2026-05-31T22:59:59Z'],
                ['2026-05-31T23:00:00Z'],
            ],
            'after a moment' => [
                'watered',
                ['test' => 'after', 'value' => '2026-06-01T11:00:00Z'],
                ['2026-06-01T11:00:01Z'],
                ['2026-06-01T11:00:00Z'],
            ],
            'between days, both belong' => [
                'sown',
                ['test' => 'between', 'value' => ['2026-05-01', '2026-05-31']],
                ['2026-05-01', '2026-05-31'],
                ['2026-04-30', '2026-06-01'],
            ],
        ];
    }

    /** @param  array<string, mixed>  $condition */
    #[DataProvider('wrong')]
    public function test_what_makes_no_sense_is_refused_at_its_place(array $condition, string $said): void
    {
        $this->expectExceptionMessage('where.all[0].value: expected '.$said);
        Garden::module(['where' => ['all' => [$condition]]]);
    }

    /** @return array<string, array{array<string, mixed>, string}> */
    public static function wrong(): array
    {
        return [
            'minutes of a day' => [
                ['field' => 'sown', 'test' => 'inNext', 'value' => ['amount' => 5, 'unit' => 'minutes']],
                'an amount and a unit',
            ],
            'no amount' => [
                ['field' => 'sown', 'test' => 'inNext', 'value' => ['amount' => 0, 'unit' => 'days']],
                'an amount from 1',
            ],
            'no day' => [['field' => 'sown', 'test' => 'on', 'value' => '2026-02-30'], 'a day, a month or a year'],
            'a moment for a day' => [
                ['field' => 'sown', 'test' => 'before', 'value' => '2026-02-03T10:00:00Z'],
                'a day, a month or a year',
            ],
            'turned round' => [
                ['field' => 'sown', 'test' => 'between', 'value' => ['2026-02-03', '2026-02-01']],
                'two days, the earlier first',
            ],
            'no stretch' => [
                ['field' => 'sown', 'test' => 'current', 'value' => 'decade'],
                'one of day, week, month, year',
            ],
        ];
    }
}
