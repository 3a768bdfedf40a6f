<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

/** The register of part kinds. */
final class PartKinds
{
    /** @var array<string, PartKind>|null */
    private static ?array $all = null;

    /** @return array<string, PartKind> by key */
    public static function all(): array
    {
        if (self::$all === null) {
            self::reset();
        }

        return self::$all ?? [];
    }

    /** @param  PartKind  $kind  of an installation's own */
    public static function add(PartKind $kind): void
    {
        self::$all = self::all() + [$kind->key() => $kind];
    }

    /** Takes those of an installation's own away again. */
    public static function reset(): void
    {
        self::$all = [];
        foreach ([
            new Part\Picture, new Part\Title, new Part\Price, new Part\Excerpt, new Part\InFull, new Part\Date,
            new Part\Terms, new Part\Author, new Part\Badge, new Part\Rating, new Part\Views, new Part\Link,
            new Part\Button, new Part\Icon, new Part\Video, new Part\FixedText, new Part\FieldValue,
        ] as $kind) {
            self::$all[$kind->key()] = $kind;
        }
    }
}
