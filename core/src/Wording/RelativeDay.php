<?php

declare(strict_types=1);

namespace Wellspring\Core\Wording;

/**
 * The distance of a day from today in words, by CLDR's relative fields (core/data/relative.json, made by relative.mjs
 * with ECMA-402's Intl.RelativeTimeFormat): in days up to a week, then in weeks, months and years.
 */
final class RelativeDay
{
    /** @var array<string, array<string, array<array-key, string>>> by language, unit and direction */
    private static array $data = [];

    /** @param  array<string, array<array-key, string>>  $words */
    private function __construct(private readonly string $locale, private readonly array $words)
    {
    }

    public static function of(string $locale): self
    {
        self::$data = self::$data ?: self::read();
        $language = \Locale::getPrimaryLanguage($locale) ?? 'en';

        return isset(self::$data[$language])
            ? new self($locale, self::$data[$language])
            : new self('en', self::$data['en'] ?? []);
    }

    /** @return array<string, array<string, array<array-key, string>>> */
    private static function read(): array
    {
        $data = json_decode((string) file_get_contents(__DIR__.'/../../data/relative.json'), true);

        return is_array($data) ? $data : [];
    }

    /**
     * @param  string  $day  `2026-05-01`
     * @param  string  $today  in the same form
     */
    public function words(string $day, string $today): string
    {
        $utc = new \DateTimeZone('UTC');
        $days = (int) (new \DateTimeImmutable($today, $utc))->diff(new \DateTimeImmutable($day, $utc))->format('%r%a');
        [$unit, $number] = self::measure(abs($days));
        $near = $unit === 'day' ? $this->words['near'][$days] ?? null : null;

        return $near ?? (string) \MessageFormatter::formatMessage(
            $this->locale,
            $this->words[$unit][$days < 0 ? 'past' : 'future'] ?? '',
            ['n' => $number],
        );
    }

    /** @return array{string, int} the unit in which so many days are told, and how many of it */
    private static function measure(int $days): array
    {
        return match (true) {
            $days < 7 => ['day', $days],
            $days < 30 => ['week', intdiv($days, 7)],
            $days < 365 => ['month', max(1, (int) round($days / 30.44))],
            default => ['year', (int) round($days / 365.25)],
        };
    }
}
