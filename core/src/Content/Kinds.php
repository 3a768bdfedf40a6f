<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

/** The register of field kinds. */
final class Kinds
{
    /** @var array<string, Kind>|null */
    private static ?array $all = null;

    /** @return array<string, Kind> by key */
    public static function all(): array
    {
        if (self::$all === null) {
            self::$all = [];
            foreach ([
                new Kind\Text, new Kind\LongText, new Kind\Number('number'), new Kind\Number('money'), new Kind\YesNo,
                new Kind\Choice, new Kind\Choices, new Kind\Date, new Kind\Instant, new Kind\Picture, new Kind\Pictures,
                new Kind\File, new Kind\Video, new Kind\Place, new Kind\Link, new Kind\Colour, new Kind\Items,
                new Kind\Person, new Kind\Hours,
            ] as $kind) {
                self::$all[$kind->key()] = $kind;
            }
        }

        return self::$all;
    }

    /** @param  Kind  $kind  from an installation's plug-ins */
    public static function add(Kind $kind): void
    {
        self::$all = self::all() + [$kind->key() => $kind];
    }

    /** Removes the plug-ins of an installation again. */
    public static function reset(): void
    {
        self::$all = null;
    }

    public static function find(string $key): ?Kind
    {
        return self::all()[$key] ?? null;
    }
}
