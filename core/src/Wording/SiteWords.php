<?php

declare(strict_types=1);

namespace Wellspring\Core\Wording;

/**
 * The built-in texts of visitors' pages in the site's language (`lang/de/site.php`). Texts that a language lacks are in
 * English.
 */
final class SiteWords
{
    private const FALLBACK = 'en';

    /** @var array<string, array<string, array<string, string>>> the catalogues by language */
    private static array $catalogues = [];

    /** @var array<string, \MessageFormatter> by language and pattern */
    private array $formatters = [];

    private function __construct(public readonly string $locale, private readonly string $language)
    {
    }

    /** @param  string  $locale  as ICU knows it: `de-AT`; only its language counts */
    public static function of(string $locale): self
    {
        $language = \Locale::getPrimaryLanguage($locale) ?? self::FALLBACK;

        return new self($locale, in_array($language, self::languages(), true) ? $language : self::FALLBACK);
    }

    /** @return list<string> the languages that have a catalogue: `de`, `en` … */
    public static function languages(): array
    {
        $files = glob(self::folder().'/*/site.php') ?: [];

        return array_map(fn (string $file): string => basename(dirname($file)), $files);
    }

    /** @return list<string> the keys of all texts: `listing.nothing` … */
    public static function keys(): array
    {
        $keys = [];
        foreach (self::catalogue(self::FALLBACK) as $group => $texts) {
            array_push($keys, ...array_map(fn (string $name): string => "{$group}.{$name}", array_keys($texts)));
        }

        return $keys;
    }

    /** The pattern of a text in a language; null if that language lacks it. */
    public static function pattern(string $language, string $key): ?string
    {
        [$group, $name] = explode('.', $key) + ['', ''];

        return self::catalogue($language)[$group][$name] ?? null;
    }

    /** True if the text is in the site's language. */
    public function isTranslated(string $key): bool
    {
        return $this->languageOf($key) === (\Locale::getPrimaryLanguage($this->locale) ?? self::FALLBACK);
    }

    /** The language of a text: `de`, or `en` if it is not translated. */
    public function languageOf(string $key): string
    {
        return self::pattern($this->language, $key) === null ? self::FALLBACK : $this->language;
    }

    /** The language of these texts: `de`, or `en` for a language without a catalogue. */
    public function spoken(): string
    {
        return $this->language;
    }

    /**
     * A text with its values filled in.
     *
     * @param  string  $key  such as `listing.nothing`
     * @param  array<string, int|float|string>  $values  by name
     *
     * @throws \LogicException if there is no such text, or a value is missing
     */
    public function text(string $key, array $values = []): string
    {
        $language = $this->languageOf($key);
        $pattern = self::pattern($language, $key) ?? throw new \LogicException("There is no text “{$key}”.");
        if (! str_contains($pattern, '{')) {
            return $pattern;
        }
        $typed = self::typed($pattern, $values);
        $said = ($this->formatters["{$language} {$typed}"] ??= $this->formatter($language, $typed))->format($values);

        return is_string($said) ? $said : throw new \LogicException("“{$key}”: ".intl_get_error_message());
    }

    /**
     * ICU uses the digits of the locale only if the pattern declares a number: `{n}` → `{n, number}`.
     *
     * @param  array<string, int|float|string>  $values
     */
    private static function typed(string $pattern, array $values): string
    {
        return (string) preg_replace_callback(
            '/\{(\w+)\}/',
            fn (array $found): string => is_string($values[$found[1]] ?? '') ? $found[0] : "{{$found[1]}, number}",
            $pattern,
        );
    }

    /** Numbers have the form of the site's locale if the text is in its language. */
    private function formatter(string $language, string $pattern): \MessageFormatter
    {
        return new \MessageFormatter($language === $this->language ? $this->locale : $language, $pattern);
    }

    /** @return array<string, array<string, string>> texts by group and name */
    private static function catalogue(string $language): array
    {
        return self::$catalogues[$language] ??= is_file($file = self::folder()."/{$language}/site.php")
            ? require $file
            : [];
    }

    private static function folder(): string
    {
        return dirname(__DIR__, 3).'/lang';
    }
}
