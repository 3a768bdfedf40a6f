<?php

declare(strict_types=1);

namespace Wellspring\Core\Text;

/**
 * White space in text: every character with the Unicode property White_Space, and two characters without width that
 * copied text often contains (U+200B, U+FEFF).
 */
final class Whitespace
{
    private const CHARACTER = '[\s\p{Z}\x{85}\x{200B}\x{FEFF}]';

    /** The text without white space at its ends. Invalid UTF-8 loses only ASCII white space. */
    public static function trim(string $text): string
    {
        return preg_replace('/^'.self::CHARACTER.'+|'.self::CHARACTER.'+$/Du', '', $text) ?? trim($text);
    }

    /** Replaces every run of white space by one space, and removes it at the ends. */
    public static function squeeze(string $text): string
    {
        return trim(preg_replace('/'.self::CHARACTER.'+/u', ' ', $text) ?? $text);
    }

    /** Replaces every kind of line break by a space. */
    public static function onOneLine(string $text): string
    {
        return preg_replace('/\R/u', ' ', $text) ?? $text;
    }

    public static function isAll(string $text): bool
    {
        return self::trim($text) === '';
    }

    public static function isAtAnEnd(string $text): bool
    {
        return self::trim($text) !== $text;
    }

    /**
     * @return list<string> the parts of a list in one cell, without white space at their ends; empty parts are left out
     */
    public static function parts(string $list, string $separator): array
    {
        $parts = $separator === '' ? [$list] : explode($separator, $list);

        return array_values(array_filter(array_map(self::trim(...), $parts), fn (string $part): bool => $part !== ''));
    }
}
