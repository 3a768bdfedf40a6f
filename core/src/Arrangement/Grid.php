<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

/** Records in rows, with a number of columns at each width. */
final readonly class Grid extends StandardArrangement
{
    public static function key(): string
    {
        return 'grid';
    }

    public static function label(): string
    {
        return 'Grid';
    }

    public static function options(): array
    {
        return [
            new ColumnsOption, self::minWidth(), self::gap(), PictureOptions::shape(),
            PictureOptions::crop(), self::align(),
        ];
    }
}
