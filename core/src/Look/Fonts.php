<?php

declare(strict_types=1);

namespace Wellspring\Core\Look;

/** The font families that ship with the application; all are variable fonts under the SIL Open Font License. */
final class Fonts
{
    private const SERIF = 'Georgia, serif';

    private const SANS = 'system-ui, sans-serif';

    /** @var array<string, array{string, string}> name and what stands in until it is there, by key */
    private const ALL = [
        'newsreader' => ['Newsreader', self::SERIF],
        'literata' => ['Literata', self::SERIF],
        'fraunces' => ['Fraunces', self::SERIF],
        'alegreya' => ['Alegreya', self::SERIF],
        'bitter' => ['Bitter', self::SERIF],
        'instrument-sans' => ['Instrument Sans', self::SANS],
        'figtree' => ['Figtree', self::SANS],
        'work-sans' => ['Work Sans', self::SANS],
        'public-sans' => ['Public Sans', self::SANS],
    ];

    /** @return non-empty-array<string, string> names by key */
    public static function names(): array
    {
        return array_map(fn (array $font): string => $font[0], self::ALL);
    }

    /** @return non-empty-list<string> its name, and what stands in until it is there */
    public static function families(string $key): array
    {
        [$name, $instead] = self::ALL[$key] ?? self::ALL['newsreader'];

        return [$name, ...explode(', ', $instead)];
    }

    /**
     * @param  list<string>  $families  names; the first known one counts
     * @return string|null the key of one that ships
     */
    public static function keyOf(array $families): ?string
    {
        $known = array_change_key_case(array_flip(self::names()));
        foreach ($families as $family) {
            $name = strtolower(str_replace(' Variable', '', $family));
            if (isset($known[$name])) {
                return $known[$name];
            }
        }

        return null;
    }

    /** The value of CSS's `font-family`. */
    public static function stack(string $key): string
    {
        [$name, $instead] = self::ALL[$key] ?? self::ALL['newsreader'];

        return "\"{$name} Variable\", {$instead}";
    }
}
