<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Wellspring\Core\Content\OpeningHours;
use Wellspring\Core\Time\Calendar;

/** Worked by hand on a calendar of 2026: 23 November is a Monday; clocks in London go back on Sunday 25 October. */
final class OpeningHoursTest extends TestCase
{
    private const SHOP = [
        'mon' => [['09:00', '12:30'], ['13:30', '17:00']],
        'tue' => [['09:00', '17:00']],
        'fri' => [['18:00', '24:00']],
        'sat' => [['00:00', '02:00'], ['10:00', '16:00']],
    ];

    /** @return iterable<string, array{array<string, mixed>, string, string, string|null}> */
    public static function moments(): iterable
    {
        yield 'before opening' => [
            self::SHOP, '2026-11-23T08:59:59Z', 'Closed now · opens at 09:00', '2026-11-23 09:00',
        ];
        yield 'the first instant' => [
            self::SHOP, '2026-11-23T09:00:00Z', 'Open now · closes at 12:30', '2026-11-23 12:30',
        ];
        yield 'at lunch' => [self::SHOP, '2026-11-23T12:30:00Z', 'Closed now · opens at 13:30', '2026-11-23 13:30'];
        yield 'after the last' => [
            self::SHOP, '2026-11-24T17:00:00Z', 'Closed now · opens on Friday at 18:00', '2026-11-27 18:00',
        ];
        yield 'through midnight' => [
            self::SHOP, '2026-11-27T23:00:00Z', 'Open now · closes on Saturday at 02:00', '2026-11-28 02:00',
        ];
        yield 'after midnight' => [
            self::SHOP, '2026-11-28T01:00:00Z', 'Open now · closes at 02:00', '2026-11-28 02:00',
        ];
        yield 'the same day next week' => [
            ['wed' => [['09:00', '10:00']]], '2026-11-25T10:00:00Z', 'Closed now · opens on Wednesday at 09:00',
            '2026-12-02 09:00',
        ];
        yield 'after the clocks went back, it is 08:30 in London' => [
            ['sun' => [['09:00', '17:00']]], '2026-10-25T08:30:00Z', 'Closed now · opens at 09:00', '2026-10-25 09:00',
        ];
        $always = array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], [['00:00', '24:00']]);
        yield 'always' => [$always, '2026-11-25T10:00:00Z', 'Always open', null];
        yield 'never' => [[], '2026-11-25T10:00:00Z', 'Closed', null];
    }

    /** @param  array<string, mixed>  $week */
    #[DataProvider('moments')]
    public function test_it_is_said_whether_it_is_open_and_until_when(
        array $week,
        string $now,
        string $words,
        ?string $changes,
    ): void {
        $calendar = new Calendar(new \DateTimeZone('Europe/London'));
        $hours = OpeningHours::at($week, new \DateTimeImmutable($now), $calendar);
        $this->assertSame($words, $hours->words(Garden::format(), $calendar));
        $this->assertSame($changes, $hours->changesAt?->format('Y-m-d H:i'));
    }
}
