<?php

declare(strict_types=1);

namespace Wellspring\Core\Time;

/**
 * Instants in their stored form: to the second, in UTC, `2026-05-01T18:30:00Z`. In this form they compare like texts.
 */
final class Iso8601
{
    private const SHAPE = '/^\d{4}-\d\d-\d\d([T ]\d\d:\d\d(:\d\d(\.\d+)?)?)?(Z|[+-]\d\d:?\d\d)?$/D';

    /** An instant from ISO 8601. Without an offset it is UTC; without a time it is the day's first second. */
    public static function parse(string $text): ?\DateTimeImmutable
    {
        if (preg_match(self::SHAPE, $text) !== 1) {
            return null;
        }
        try {
            $at = new \DateTimeImmutable($text, new \DateTimeZone('UTC'));
        } catch (\Exception) {
            return null;
        }
        $errors = \DateTimeImmutable::getLastErrors();

        return $errors === false || $errors['warning_count'] === 0 ? $at : null;
    }

    public static function format(\DateTimeInterface $at): string
    {
        return \DateTimeImmutable::createFromInterface($at)
            ->setTimezone(new \DateTimeZone('UTC'))
            ->format('Y-m-d\TH:i:s\Z');
    }
}
