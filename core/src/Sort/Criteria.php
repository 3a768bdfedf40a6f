<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort;

use Wellspring\Core\Source\RecordsOf;
use Wellspring\Core\Source\Source;

/** The register of sort criteria. */
final class Criteria
{
    /** For items of any type, besides their fields. */
    private const OF_ITEMS = [
        Criterion\PriceNow::class, Criterion\Popularity::class, Criterion\WeightedRating::class,
        Criterion\ManualOrder::class, Criterion\SharedTerms::class, Criterion\Relevance::class,
    ];

    /** For records of every source. */
    private const OF_ALL = [Criterion\Shuffle::class];

    /** @var list<class-string<Criterion>> of an installation's own, for items */
    private static array $added = [];

    /** @param  class-string<Criterion>  $criterion  from an installation's plug-ins, for items */
    public static function add(string $criterion): void
    {
        self::$added[] = $criterion;
    }

    /** Removes the plug-ins of an installation again. */
    public static function reset(): void
    {
        self::$added = [];
    }

    /** @return array<string, Criterion> by key, each as it stands where a definition says nothing more */
    public static function offered(Source $source): array
    {
        $type = $source->type();
        $offered = [];
        foreach ($type->reachable as $field) {
            if ($field->family()->ordered()) {
                $offered[$field->key] = new Criterion\FieldValue($field);
            }
        }
        $ofItems = $source->recordsOf() === RecordsOf::Items ? [...self::OF_ITEMS, ...self::$added] : [];
        $classes = [...$ofItems, ...self::OF_ALL];
        foreach ($classes as $class) {
            $criterion = $class::of($type);
            if ($criterion !== null) {
                $offered[$criterion->key()] = $criterion;
            }
        }

        return $offered;
    }

    /** @return list<string> keys of all criteria but fields */
    public static function keys(): array
    {
        return array_map(
            fn (string $class): string => $class::KEY,
            [...self::OF_ITEMS, ...self::$added, ...self::OF_ALL],
        );
    }

    /** @return array<string, array<string, mixed>> JSON Schemas of the options of all criteria, by option */
    public static function optionSchemas(): array
    {
        $schemas = [];
        foreach ([...self::OF_ITEMS, ...self::$added, ...self::OF_ALL] as $class) {
            foreach ($class::optionSchemas() as $key => $schema) {
                $schemas[$key] = isset($schemas[$key]) && $schemas[$key] !== $schema
                    ? ['anyOf' => [$schemas[$key], $schema]]
                    : $schema;
            }
        }

        return $schemas;
    }
}
