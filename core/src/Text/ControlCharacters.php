<?php

declare(strict_types=1);

namespace Wellspring\Core\Text;

/** The control characters that texts must not contain: those of ASCII except tab, line feed and carriage return. */
final class ControlCharacters
{
    public const PATTERN = '\x00-\x08\x0B\x0C\x0E-\x1F\x7F';

    public static function areIn(string $text): bool
    {
        return preg_match('/['.self::PATTERN.']/', $text) === 1;
    }

    public static function removed(string $text): string
    {
        return preg_replace('/['.self::PATTERN.']/', '', $text) ?? $text;
    }
}
