<?php

declare(strict_types=1);

namespace Wellspring\Core\Wording;

use Wellspring\Core\Text\Whitespace;

/** Writes values in the site's form: numbers, money and dates by CLDR in its locale, currency and time zone. */
final class Format
{
    // CLDR skeletons.

    private const DAY = 'yMMMd';

    private const MONTH = 'yMMMM';

    private const MOMENT = 'yMMMdHHmm';

    private ?\NumberFormatter $number = null;

    private ?\NumberFormatter $money = null;

    private ?self $whole = null;

    private ?SiteWords $words = null;

    private ?\IntlDatePatternGenerator $patterns = null;

    /** @var array<string, string> patterns by skeleton */
    private array $forms = [];

    /** @var array<string, \IntlDateFormatter> by pattern and time zone; each is made when it is first needed */
    private array $dates = [];

    /** @var array<string, string> titles of items by `type/slug`, of modules by `module/key` */
    private array $titles = [];

    public function __construct(
        private readonly string $locale,
        private readonly string $currency,
        private readonly string $timeZone,
    ) {
    }

    /** The built-in texts of visitors' pages in the site's language. */
    public function words(): SiteWords
    {
        return $this->words ??= SiteWords::of($this->locale);
    }

    /** @param  array<string, string>  $titles  of items by `type/slug`, of modules by `module/key` */
    public function withTitles(array $titles): self
    {
        $copy = clone $this;
        $copy->titles = $titles;

        return $copy;
    }

    /**
     * The title of an item or a module in a definition.
     *
     * @param  string  $name  an item as `type/slug`, a module as `module/key`
     * @return string its title; the last part of the name where the title is not known
     */
    public function title(string $name): string
    {
        return $this->titles[$name] ?? substr((string) strrchr("/{$name}", '/'), 1);
    }

    /**
     * A day, a month, a year or an instant of a condition: “1 May 2026”, “May 2026”, “2026”, “1 May 2026, 19:30”.
     *
     * @param  string  $period  `2026-05-01`, `2026-05`, `2026` or `2026-05-01T18:30:00Z`
     */
    public function period(string $period): string
    {
        return match (strlen($period)) {
            4 => $period,
            7 => $this->date(self::MONTH, 'UTC', "{$period}-01T00:00:00Z"),
            10 => $this->date(self::DAY, 'UTC', "{$period}T00:00:00Z"),
            default => $this->date(self::MOMENT, $this->timeZone, $period),
        };
    }

    /** @param  string  $day  `2026-05-01` */
    public function day(string $day): string
    {
        return $this->date(self::DAY, 'UTC', "{$day}T00:00:00Z");
    }

    /** The day of an instant, in the site's time zone. */
    public function dayOf(string $instant): string
    {
        return $this->date(self::DAY, $this->timeZone, $instant);
    }

    /** An instant with its time of day. */
    public function dateTime(string $instant): string
    {
        return $this->date(self::MOMENT, $this->timeZone, $instant);
    }

    /** An instant with its time of day; at midnight only the day. */
    public function moment(string $instant): string
    {
        return $this->isMidnight($instant) ? $this->dayOf($instant) : $this->dateTime($instant);
    }

    /**
     * The short name of a weekday: “Mon”.
     *
     * @param  int<0, 6>  $number  0 is Monday
     */
    public function weekday(int $number): string
    {
        // 1 January 2024 was a Monday.
        return $this->date('ccc', 'UTC', '2024-01-0'.(1 + $number).'T00:00:00Z');
    }

    /**
     * A time of day in the site's language: “09:00”, “9:00 AM”.
     *
     * @param  string  $time  `09:00`, at most `24:00`
     */
    public function timeOfDay(string $time): string
    {
        return $this->date('jmm', 'UTC', '2024-01-01T'.($time === '24:00' ? '00:00' : $time).':00Z');
    }

    private function isMidnight(string $instant): bool
    {
        $local = (new \DateTimeImmutable($instant))->setTimezone(new \DateTimeZone($this->timeZone));

        return $local->format('H:i:s') === '00:00:00';
    }

    /**
     * A day or an instant in a form, in the site's time zone. For an instant at midnight, a skeleton gives only the
     * day.
     *
     * @param  string  $value  `2026-05-01` or `2026-05-01T18:30:00Z`
     * @param  string  $form  a CLDR skeleton or an ICU pattern, see DateForm
     */
    public function dateAs(string $value, string $form): string
    {
        [$instant, $timeZone] = strlen($value) === 10 ? ["{$value}T00:00:00Z", 'UTC'] : [$value, $this->timeZone];

        return DateForm::isSkeleton($form)
            ? $this->date($this->isMidnight($instant) ? DateForm::ofDay($form) : $form, $timeZone, $instant)
            : (string) $this->pattern($form, $timeZone)->format(new \DateTimeImmutable($instant));
    }

    /**
     * The distance of a day from today: “today”, “in 3 days”, “2 weeks ago”. It uses CLDR's relative fields in the
     * site's language, or in English if it has none.
     *
     * @param  string  $day  `2026-05-01`
     * @param  string  $today  in the same form
     */
    public function relativeDay(string $day, string $today): string
    {
        return RelativeDay::of($this->locale)->words($day, $today);
    }

    /** Maximum length of a MessageFormat pattern, which is formatted for every record of a list. */
    public const LONGEST_PATTERN = 300;

    /** True if a MessageFormat pattern has a text for every number `n`. */
    public static function saysEveryNumber(string $pattern): bool
    {
        if (mb_strlen($pattern) > self::LONGEST_PATTERN) {
            return false;
        }
        foreach ([0, 1, 2, 3, 5, 10, 11, 100, 1000, 0.5] as $number) {
            $said = \MessageFormatter::formatMessage('en', $pattern, ['n' => $number]);
            if ($said === false || Whitespace::isAll($said)) {
                return false;
            }
        }

        return true;
    }

    /** True if a MessageFormat pattern uses only the values of PageNumbers::places(). */
    public static function saysPlaces(string $pattern): bool
    {
        if (mb_strlen($pattern) > self::LONGEST_PATTERN) {
            return false;
        }
        foreach ([0, 1, 2, 21, 1000] as $number) {
            $said = \MessageFormatter::formatMessage('en', self::withNumbers($pattern), [
                'from' => min(1, $number), 'to' => $number, 'total' => $number, 'page' => 1, 'pages' => 1,
            ]);
            // Unknown values remain in braces.
            if ($said === false || Whitespace::isAll($said) || preg_match('/\{\w+\}/', $said) === 1) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  string  $pattern  a MessageFormat pattern
     * @param  array<string, int|float>  $numbers  by the names that it may have
     */
    public function inWords(string $pattern, array $numbers): string
    {
        return (string) \MessageFormatter::formatMessage($this->locale, self::withNumbers($pattern), $numbers);
    }

    /** MessageFormat requires the type of a value at each use: `{total}` becomes `{total, number}`. */
    private static function withNumbers(string $pattern): string
    {
        return (string) preg_replace('/\{\s*(\w+)\s*\}/', '{$1, number}', $pattern);
    }

    /** @param  string  $day  any day of the month */
    public function month(string $day): string
    {
        return $this->date(self::MONTH, 'UTC', "{$day}T00:00:00Z");
    }

    public function number(int|float $value, string $unit = ''): string
    {
        if ($this->number === null) {
            $this->number = new \NumberFormatter($this->locale, \NumberFormatter::DECIMAL);
            $this->number->setAttribute(\NumberFormatter::MAX_FRACTION_DIGITS, 6);
        }

        return $this->number->format($value).($unit === '' ? '' : "\u{A0}".$unit);
    }

    /** @param  string  $pattern  a MessageFormat pattern with the number `n`: `{n, plural, one {# left} …}` */
    public function numberInWords(int|float $value, string $pattern): string
    {
        return $this->inWords($pattern, ['n' => $value]);
    }

    public function money(int|float $value): string
    {
        $this->money ??= new \NumberFormatter($this->locale, \NumberFormatter::CURRENCY);

        return (string) $this->money->formatCurrency((float) $value, $this->currency);
    }

    /** @return array{string, string} what stands before and after an amount in the site's currency: `£` and nothing */
    public function aroundMoney(): array
    {
        preg_match('/^(\D*)\d.*?(\D*)$/uD', $this->withWholeMoney()->money(1), $found);
        $sign = fn (string $text): string => (string) preg_replace('/^[\s\p{Cf}]+|[\s\p{Cf}]+$/u', '', $text);

        return [$sign($found[1] ?? ''), $sign($found[2] ?? '')];
    }

    /** The same, but amounts of money without their smaller unit, such as `£3`. */
    public function withWholeMoney(): self
    {
        if ($this->whole !== null) {
            return $this->whole;
        }
        $whole = clone $this;
        $whole->money = new \NumberFormatter($this->locale, \NumberFormatter::CURRENCY);
        // The currency comes first, because it sets its own number of digits.
        $whole->money->setTextAttribute(\NumberFormatter::CURRENCY_CODE, $this->currency);
        $whole->money->setAttribute(\NumberFormatter::FRACTION_DIGITS, 0);

        return $this->whole = $whole;
    }

    private function date(string $skeleton, string $timeZone, string $instant): string
    {
        $this->patterns ??= new \IntlDatePatternGenerator($this->locale);
        $this->forms[$skeleton] ??= (string) $this->patterns->getBestPattern($skeleton);

        return (string) $this->pattern($this->forms[$skeleton], $timeZone)->format(new \DateTimeImmutable($instant));
    }

    /** @param  string  $pattern  an ICU pattern */
    private function pattern(string $pattern, string $timeZone): \IntlDateFormatter
    {
        return $this->dates["{$pattern} {$timeZone}"] ??= new \IntlDateFormatter(
            $this->locale,
            \IntlDateFormatter::NONE,
            \IntlDateFormatter::NONE,
            $timeZone,
            \IntlDateFormatter::GREGORIAN,
            $pattern,
        );
    }
}
