<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

use Wellspring\Core\Option\Flag;

/** Pictures side by side that open in full size. */
final readonly class Wall extends StandardArrangement
{
    public static function key(): string
    {
        return 'wall';
    }

    public static function label(): string
    {
        return 'Picture wall';
    }

    public static function options(): array
    {
        return [
            new ColumnsOption(new Columns(2, 3, 4, 6)), self::minWidth(), self::gap('tight'),
            PictureOptions::shape('square'),
            PictureOptions::crop(),
            new Flag('captions', 'Captions on the wall'),
            new Flag('playWhenOpened', 'A video starts when it is opened', true),
            new Flag('closeAtEnd', 'Closes when a video ends'),
        ];
    }

    public function scripts(): array
    {
        return ['wall'];
    }
}
