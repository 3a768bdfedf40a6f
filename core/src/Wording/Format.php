<?php

declare(strict_types=1);

namespace Wellspring\Core\Wording;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Sort\Headings;
use Wellspring\Core\Text\Html;
use Wellspring\Core\Time\CalendarUnit;

/** Writes values as the site does: numbers, money and dates by CLDR in its locale, currency and time zone. */
final class Format
{
    private \NumberFormatter $number;

    private \NumberFormatter $money;

    private \IntlDateFormatter $day;

    private \IntlDateFormatter $moment;

    private \IntlDateFormatter $second;

    private \IntlDateFormatter $month;

    public function __construct(string $locale, private readonly string $currency, string $timeZone)
    {
        $this->number = new \NumberFormatter($locale, \NumberFormatter::DECIMAL);
        $this->number->setAttribute(\NumberFormatter::MAX_FRACTION_DIGITS, 6);
        $this->money = new \NumberFormatter($locale, \NumberFormatter::CURRENCY);
        $patterns = new \IntlDatePatternGenerator($locale);
        $this->day = self::dates($locale, 'UTC', (string) $patterns->getBestPattern('yMMMd'));
        $this->moment = self::dates($locale, $timeZone, (string) $patterns->getBestPattern('yMMMd'));
        $this->month = self::dates($locale, 'UTC', (string) $patterns->getBestPattern('yMMMM'));
        $this->second = self::dates($locale, $timeZone, (string) $patterns->getBestPattern('yMMMdHHmm'));
    }

    /**
     * Null where there is no value.
     *
     * @param  array<string, string>  $names  how linked items and people are called, by the value that names them
     */
    public function value(Field $field, mixed $value, array $names = []): ?string
    {
        return match (true) {
            $value === null => null,
            is_bool($value) => $value ? 'Yes' : 'No',
            is_int($value),
            is_float($value) => $field->kind->key() === 'money'
                ? $this->money($value)
                : $this->number($value, $field->unit),
            $field->family() === Family::Place => is_array($value) && is_string($value['address'] ?? null)
                ? $value['address']
                : $field->kind->writeCell($value, $field),
            $field->family() === Family::Hours => $field->kind->writeCell($value, $field),
            // Who is no longer there is not shown by slug or e-mail.
            $field->family()->isLink() => self::listed(
                array_values(array_intersect_key($names, array_flip(array_filter((array) $value, is_string(...))))),
            ),
            is_array($value) => implode(
                ', ',
                array_map($field->choiceLabel(...), array_filter($value, is_string(...))),
            ),
            ! is_string($value) => null,
            $field->family() === Family::Choice => $field->choiceLabel($value),
            $field->family() === Family::Date => $this->date($this->day, $value.'T00:00:00Z'),
            $field->family() === Family::Instant => $this->date($this->moment, $value),
            $field->family() === Family::LongText => Html::visibleText($value),
            default => $value,
        };
    }

    /** @param  list<string>  $texts */
    private static function listed(array $texts): ?string
    {
        return $texts === [] ? null : implode(', ', $texts);
    }

    /** A day as it is, a moment with its time of day. */
    public function moment(Field $field, string $value): string
    {
        return $field->family() === Family::Instant
            ? $this->date($this->second, $value)
            : (string) $this->value($field, $value);
    }

    /** How a heading reads: “May 2026”, “4 May – 10 May 2026”, “Shade”, “A”. */
    public function heading(Headings $headings, string $key): string
    {
        if ($key === Headings::NONE) {
            return 'Without '.mb_strtolower($headings->field->label);
        }
        if ($headings->per !== null) {
            return match ($headings->per) {
                CalendarUnit::Year => substr($key, 0, 4),
                CalendarUnit::Month => $this->date($this->month, "{$key}T00:00:00Z"),
                CalendarUnit::Day => $this->date($this->day, "{$key}T00:00:00Z"),
                CalendarUnit::Week => $this->date($this->day, "{$key}T00:00:00Z").' – '.$this->date(
                    $this->day,
                    (new \DateTimeImmutable("{$key}T00:00:00Z"))->modify('+6 days')->format('Y-m-d\TH:i:s\Z'),
                ),
            };
        }

        return match ($headings->field->family()) {
            Family::Text => mb_strtoupper($key),
            Family::YesNo => "{$headings->field->label}: {$key}",
            default => $headings->field->choiceLabel($key),
        };
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
            default => $this->date($this->second, $period),
        };
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
