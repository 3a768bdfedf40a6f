<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

/** Records below each other, with the picture beside or above the rest. */
final readonly class ListArrangement extends StandardArrangement
{
    public static function key(): string
    {
        return 'list';
    }

    public static function label(): string
    {
        return 'List';
    }

    public static function options(): array
    {
        return [
            self::picture(),
            self::gap(), PictureOptions::shape(), PictureOptions::crop(), self::align(),
        ];
    }

    public function pictureShareAt(Width $width): int
    {
        return $width === Width::Phone || $this->values->text('picture') === 'above' ? 100 : 30;
    }
}
