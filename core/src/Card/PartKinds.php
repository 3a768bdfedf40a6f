<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Type;

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

    /**
     * The parts that a card of the type can have. Labels are unique: a later part with the same label adds its kind.
     *
     * @return list<array{label: string, part: array<string, mixed>}>
     */
    public static function offers(Type $type): array
    {
        $offers = [];
        foreach (self::all() as $kind) {
            foreach ($kind->offers($type) as $offer) {
                $taken = array_column($offers, 'label');
                $label = in_array($offer['label'], $taken, true)
                    ? "{$offer['label']} ({$kind->label()})"
                    : $offer['label'];
                for ($n = 2; in_array($label, $taken, true); $n++) {
                    $label = "{$offer['label']} ({$kind->label()} {$n})";
                }
                $offers[] = ['label' => $label] + $offer;
            }
        }

        return $offers;
    }

    /** @param  PartKind  $kind  from an installation's plug-ins */
    public static function add(PartKind $kind): void
    {
        self::$all = self::all() + [$kind->key() => $kind];
    }

    /** Removes the plug-ins of an installation again. */
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
