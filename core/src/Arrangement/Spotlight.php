<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

/** One record, large. */
final readonly class Spotlight extends StandardArrangement
{
    public static function key(): string
    {
        return 'spotlight';
    }

    public static function label(): string
    {
        return 'Spotlight';
    }

    public static function options(): array
    {
        return [
            self::picture(),
            PictureOptions::shape(), PictureOptions::crop(), self::align(),
        ];
    }

    public function pictureShareAt(Width $width): int
    {
        return $width === Width::Phone || $this->values->text('picture') === 'above' ? 100 : 60;
    }

    public function suitedNumber(): int
    {
        return 1;
    }
}
