<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

/** The register of sources. */
final class SourceKinds
{
    /** The order of the list of sources. */
    private const ALL = [
        Items::class, TaxonomyTerms::class, People::class, Archive::class, Pages::class, PageItem::class,
        PageTerm::class, OneItem::class,
    ];

    /** @var list<class-string<Source>> of an installation's own */
    private static array $added = [];

    /** @param  class-string<Source>  $kind  from an installation's plug-ins */
    public static function add(string $kind): void
    {
        self::$added[] = $kind;
    }

    /** Removes the plug-ins of an installation again. */
    public static function reset(): void
    {
        self::$added = [];
    }

    /** @return list<class-string<Source>> */
    public static function all(): array
    {
        return [...self::ALL, ...self::$added];
    }

    /** @return array<string, SourceStart> by key */
    public static function starts(): array
    {
        $starts = array_merge(...array_map(fn (string $kind): array => $kind::starts(), self::all()));

        return array_column($starts, null, 'key');
    }

    /** @return list<string> the keys of definitions that say a source, each once */
    public static function keys(): array
    {
        return array_values(array_unique(array_merge(
            ...array_map(fn (string $kind): array => $kind::keys(), self::all()),
        )));
    }

    /** @return list<array<string, mixed>> JSON Schemas (2020-12), one a form of source */
    public static function schemas(): array
    {
        return array_merge(...array_map(fn (string $kind): array => $kind::schemas(), self::all()));
    }
}
