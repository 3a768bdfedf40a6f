<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

use Wellspring\Core\Option\Whole;

/** Records in one row that visitors move by swipe, keys and buttons. */
final readonly class Slideshow extends StandardArrangement
{
    public static function key(): string
    {
        return 'slideshow';
    }

    public static function label(): string
    {
        return 'Slideshow';
    }

    public static function options(): array
    {
        return [
            new ColumnsOption(new Columns(1, 1, 1, 1)),
            new Whole('seconds', 'Moves on after', 0, 0, 60, 'seconds'),
            self::gap(), PictureOptions::shape('panorama'), PictureOptions::crop(), self::align(),
        ];
    }

    public function scripts(): array
    {
        return ['slideshow'];
    }

    public function hasRows(): bool
    {
        return false;
    }
}
