<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

/** Records side by side, so many at each width. */
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
