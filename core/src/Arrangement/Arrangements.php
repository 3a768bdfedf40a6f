<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

use Wellspring\Core\Problem\Shape;

/** The register of arrangements. */
final class Arrangements
{
    private const ALL = [
        Grid::class, ListArrangement::class, Masonry::class, Table::class, Links::class, Spotlight::class,
        Slideshow::class, Ticker::class, Wall::class,
    ];

    /** @var list<class-string<Arrangement>> of an installation's own */
    private static array $added = [];

    /** @param  class-string<Arrangement>  $arrangement  from an installation's plug-ins */
    public static function add(string $arrangement): void
    {
        self::$added[] = $arrangement;
    }

    /** Removes the plug-ins of an installation again. */
    public static function reset(): void
    {
        self::$added = [];
    }

    /** @return non-empty-array<string, class-string<Arrangement>> by key */
    public static function all(): array
    {
        $all = [];
        foreach ([...self::ALL, ...self::$added] as $arrangement) {
            $all[$arrangement::key()] = $arrangement;
        }

        return $all;
    }

    /** Reads the `arrange` of a definition; the default is a grid. */
    public static function read(Shape $definition): Arrangement
    {
        if (! $definition->has('arrange')) {
            return Grid::plain();
        }
        $shape = $definition->inner('arrange', ['as']);
        $all = self::all();
        $arrangement = $all[$shape->oneOf('as', array_keys($all))]::read($shape);
        $shape->noOthers();

        return $arrangement;
    }
}
