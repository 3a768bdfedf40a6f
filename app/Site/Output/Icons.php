<?php

declare(strict_types=1);

namespace App\Site\Output;

/** The icons of resources/icons (Lucide, ISC licence) as inline SVG. */
final class Icons
{
    /** @var array<string, string> by name */
    private static array $read = [];

    /** @return string SVG; empty where there is none of that name */
    public static function svg(string $name): string
    {
        return self::$read[$name] ??= preg_match('/^[a-z-]+$/D', $name) === 1
            ? trim((string) @file_get_contents(resource_path("icons/{$name}.svg")))
            : '';
    }
}
