<?php

declare(strict_types=1);

namespace Wellspring\Core\Time;

/** A day, a month or a year in text form: `2026-05-01`, `2026-05`, `2026`. */
final class Period
{
    /** Its days; null if the text is none of these. */
    public static function days(string $text): ?Span
    {
        if (
            preg_match('/^(\d{4})(?:-(\d\d))?(?:-(\d\d))?$/D', $text, $m) !== 1
            || ! checkdate((int) ($m[2] ?? 1), (int) ($m[3] ?? 1), (int) $m[1])
        ) {
            return null;
        }
        $calendar = new Calendar(new \DateTimeZone('UTC'));
        $first = $m[1].'-'.($m[2] ?? '01').'-'.($m[3] ?? '01');

        return $calendar->stretch($first, match (true) {
            isset($m[3]) => CalendarUnit::Day,
            isset($m[2]) => CalendarUnit::Month,
            default => CalendarUnit::Year,
        });
    }
}
