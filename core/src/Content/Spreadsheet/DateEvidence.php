<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Spreadsheet;

/**
 * Dates as spreadsheets write them, with or without a time: 24/06/2026, 6/24/2026, 24.6.2026, 24 June 2026. ISO 8601
 * dates stay unchanged.
 */
final class DateEvidence implements ColumnEvidence
{
    public const DAY_FIRST = 'dayFirst';

    public const MONTH_FIRST = 'monthFirst';

    private const NUMBERS = '~^(\d{1,2})([/.\-])(\d{1,2})\2(\d{4}|\d{2})'
        .'(?:[ T,]+(\d{1,2}:\d{2}(?::\d{2})?(?:\s*[AaPp][Mm])?))?$~D';

    private const YEAR_FIRST = '~^(\d{4})([/.])(\d{1,2})\2(\d{1,2})(?:[ T,]+(\d{1,2}:\d{2}(?::\d{2})?))?$~D';

    private bool $isDayFirst = false;

    private bool $isMonthFirst = false;

    private bool $isEither = false;

    private string $example = '';

    /**
     * @param  bool  $isDayFirstHere  the usual order of the site's country
     * @param  \DateTimeZone  $zone  for times without a zone
     * @param  bool  $hasTime  true if the column contains instants, not days
     */
    public function __construct(
        private readonly bool $isDayFirstHere,
        private readonly \DateTimeZone $zone,
        private readonly bool $hasTime,
    ) {
    }

    public function see(string $cell): void
    {
        $cell = trim($cell);
        if (preg_match(self::NUMBERS, $cell, $found) === 1) {
            [$first, $second] = [(int) $found[1], (int) $found[3]];
            $this->isDayFirst = $this->isDayFirst || $first > 12;
            $this->isMonthFirst = $this->isMonthFirst || $second > 12;
            $this->isEither = $this->isEither || $first <= 12 && $second <= 12 && $first !== $second;
        }
        if ($this->example === '' && self::rewritten($cell, true, $this->zone, $this->hasTime) !== $cell) {
            $this->example = $cell;
        }
    }

    public function decided(?string $chosen): ColumnForm
    {
        $isKnown = $this->isDayFirst !== $this->isMonthFirst;
        $found = $isKnown
            ? ($this->isDayFirst ? self::DAY_FIRST : self::MONTH_FIRST)
            : ($this->isDayFirstHere ? self::DAY_FIRST : self::MONTH_FIRST);
        $form = in_array($chosen, [self::DAY_FIRST, self::MONTH_FIRST], true) ? $chosen : $found;
        $isAmbiguous = $this->isEither && ! $isKnown || $this->isDayFirst && $this->isMonthFirst;

        return new ColumnForm(
            $form,
            $isAmbiguous || $chosen !== null
                ? [self::DAY_FIRST => 'day first: 24/06/2026', self::MONTH_FIRST => 'month first: 06/24/2026']
                : [],
            $isAmbiguous,
            $this->example,
            fn (string $cell): string => self::rewritten($cell, $form === self::DAY_FIRST, $this->zone, $this->hasTime),
        );
    }

    private static function rewritten(string $cell, bool $dayFirst, \DateTimeZone $zone, bool $hasTime): string
    {
        $text = trim($cell);
        if (preg_match(self::NUMBERS, $text, $found) === 1) {
            [$day, $month] = $dayFirst ? [(int) $found[1], (int) $found[3]] : [(int) $found[3], (int) $found[1]];
            $year = strlen($found[4]) === 2 ? ((int) $found[4] < 70 ? 2000 : 1900) + (int) $found[4] : (int) $found[4];
            $time = $found[5] ?? '';
        } elseif (preg_match(self::YEAR_FIRST, $text, $found) === 1) {
            [$year, $month, $day, $time] = [(int) $found[1], (int) $found[3], (int) $found[4], $found[5] ?? ''];
        } elseif (preg_match('/[A-Za-z]{3,}/', $text) === 1 && preg_match('/\b\d{4}\b/', $text) === 1) {
            return self::fromWords($text, $zone, $hasTime) ?? $cell;
        } else {
            return $cell;
        }
        if (! checkdate($month, $day, $year)) {
            return $cell;
        }
        $date = sprintf('%04d-%02d-%02d', $year, $month, $day);

        return $time === '' || ! $hasTime ? $date : self::moment("{$date} {$time}", $zone) ?? $cell;
    }

    /** “24 June 2026”, “June 24, 2026 7:30 pm”: month names in English. */
    private static function fromWords(string $text, \DateTimeZone $zone, bool $hasTime): ?string
    {
        $read = date_parse($text);
        if ($read['error_count'] > 0 || $read['warning_count'] > 0 || isset($read['relative'])
            || ! is_int($read['year']) || ! is_int($read['month']) || ! is_int($read['day'])) {
            return null;
        }
        $date = sprintf('%04d-%02d-%02d', $read['year'], $read['month'], $read['day']);

        return is_int($read['hour']) && $hasTime
            ? self::moment(sprintf('%s %02d:%02d', $date, $read['hour'], (int) $read['minute']), $zone)
            : $date;
    }

    private static function moment(string $text, \DateTimeZone $zone): ?string
    {
        $at = date_create_immutable($text, $zone);

        return $at === false ? null : $at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z');
    }
}
