<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

/** Records in columns, each in the shortest one, with pictures in their own shapes. */
final readonly class Masonry extends StandardArrangement
{
    public static function key(): string
    {
        return 'masonry';
    }

    public static function label(): string
    {
        return 'Masonry';
    }

    public static function options(): array
    {
        return [new ColumnsOption, self::minWidth(), self::gap(), self::align()];
    }

    public function scripts(): array
    {
        return ['masonry'];
    }

    public function hasRows(): bool
    {
        return false;
    }
}
