<?php

declare(strict_types=1);

namespace Wellspring\Core\Wording;

use Wellspring\Core\Text\Whitespace;

/** Writes values as the site does: numbers, money and dates by CLDR in its locale, currency and time zone. */
final class Format
{
    // Skeletons of CLDR.

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
     * What the site calls an item or a module that a definition names.
     *
     * @param  string  $name  an item as `type/slug`, a module as `module/key`
     * @return string its title; the last part of the name where the title is not known
     */
    public function title(string $name): string
    {
        return $this->titles[$name] ?? substr((string) strrchr("/{$name}", '/'), 1);
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

    /** An instant with its time of day; where that is midnight, the day alone. */
    public function moment(string $instant): string
    {
        return $this->isMidnight($instant) ? $this->dayOf($instant) : $this->dateTime($instant);
    }

    /**
     * A day of the week, short: “Mon”.
     *
     * @param  int<0, 6>  $number  0 is Monday
     */
    public function weekday(int $number): string
    {
        // 1 January 2024 was a Monday.
        return $this->date('ccc', 'UTC', '2024-01-0'.(1 + $number).'T00:00:00Z');
    }

    /**
     * A time of day, as the site's language writes it: “09:00”, “9:00 AM”.
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
     * A day or an instant by a form of its own, in the site's time zone. Of an instant at midnight a skeleton says the
     * day alone: it stands for the whole of it.
     *
     * @param  string  $value  `2026-05-01` or `2026-05-01T18:30:00Z`
     * @param  string  $form  a skeleton of CLDR or a pattern of ICU, see DateForm
     */
    public function dateAs(string $value, string $form): string
    {
        [$instant, $timeZone] = strlen($value) === 10 ? ["{$value}T00:00:00Z", 'UTC'] : [$value, $this->timeZone];

        return DateForm::isSkeleton($form)
            ? $this->date($this->isMidnight($instant) ? DateForm::ofDay($form) : $form, $timeZone, $instant)
            : (string) $this->pattern($form, $timeZone)->format(new \DateTimeImmutable($instant));
    }

    /**
     * How far a day lies from today: “today”, “in 3 days”, “2 weeks ago”. By CLDR's relative fields, in the site's
     * language; in English where it has none.
     *
     * @param  string  $day  `2026-05-01`
     * @param  string  $today  likewise
     */
    public function relativeDay(string $day, string $today): string
    {
        return RelativeDay::of($this->locale)->words($day, $today);
    }

    /** Characters of a pattern of ICU's MessageFormat at most: it is formatted for every record of a list. */
    public const LONGEST_PATTERN = 300;

    /** Whether a pattern of ICU's MessageFormat says something of every number `n`. */
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

    /** Whether a pattern of ICU's MessageFormat names nothing but a page's places, see PageNumbers::places(). */
    public static function saysPlaces(string $pattern): bool
    {
        if (mb_strlen($pattern) > self::LONGEST_PATTERN) {
            return false;
        }
        foreach ([0, 1, 2, 21, 1000] as $number) {
            $said = \MessageFormatter::formatMessage('en', self::withNumbers($pattern), [
                'from' => min(1, $number), 'to' => $number, 'total' => $number, 'page' => 1, 'pages' => 1,
            ]);
            // What is not given is written as it stands, in braces.
            if ($said === false || Whitespace::isAll($said) || preg_match('/\{\w+\}/', $said) === 1) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  string  $pattern  of ICU's MessageFormat
     * @param  array<string, int|float>  $numbers  by the names that it may have
     */
    public function inWords(string $pattern, array $numbers): string
    {
        return (string) \MessageFormatter::formatMessage($this->locale, self::withNumbers($pattern), $numbers);
    }

    /** ICU wants to be told each time that a name stands for a number, where it does so once: `{total}`. */
    private static function withNumbers(string $pattern): string
    {
        return (string) preg_replace('/\{\s*(\w+)\s*\}/', '{$1, number}', $pattern);
    }

    /** @param  string  $day  one of the month */
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

    /** @param  string  $pattern  of ICU's MessageFormat, which names the number `n`: `{n, plural, one {# left} …}` */
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

    /** The same, but money without its smaller unit, such as `£3`: for whole amounts. */
    public function withWholeMoney(): self
    {
        if ($this->whole !== null) {
            return $this->whole;
        }
        $whole = clone $this;
        $whole->money = new \NumberFormatter($this->locale, \NumberFormatter::CURRENCY);
        // First the currency, which brings digits of its own.
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

    /** @param  string  $pattern  of ICU */
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
