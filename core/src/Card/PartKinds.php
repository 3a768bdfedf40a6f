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
            self::$all = [];
            foreach ([new Part\Picture, new Part\Title, new Part\Price, new Part\Excerpt, new Part\FieldValue] as $kind) {
                self::$all[$kind->key()] = $kind;
            }
        }

        return self::$all;
    }
}
