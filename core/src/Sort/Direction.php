<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort;

use Wellspring\Core\Content\Family;

enum Direction: string
{
    case Up = 'up';
    case Down = 'down';

    /** The words for a direction of a field of the family. */
    public function words(Family $family): string
    {
        $up = $this === self::Up;

        return match ($family) {
            Family::Number => $up ? 'lowest first' : 'highest first',
            Family::Date, Family::Instant => $up ? 'oldest first' : 'newest first',
            Family::YesNo => $up ? 'no first' : 'yes first',
            Family::Choice => $up ? 'in its own order' : 'in its own order, last first',
            default => $up ? 'A–Z' : 'Z–A',
        };
    }
}
