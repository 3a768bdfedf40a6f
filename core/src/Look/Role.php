<?php

declare(strict_types=1);

namespace Wellspring\Core\Look;

/** The role of a colour in a look. */
enum Role: string
{
    case Paper = 'paper';
    case Bed = 'bed';
    case Ink = 'ink';
    case Quiet = 'quiet';
    case Leaf = 'leaf';
    case Copper = 'copper';
    case Line = 'line';

    public function words(): string
    {
        return match ($this) {
            self::Paper => 'paper, the ground',
            self::Bed => 'bed, a quiet ground',
            self::Ink => 'ink, text',
            self::Quiet => 'quiet text',
            self::Leaf => 'leaf, links and buttons',
            self::Copper => 'copper, prices, sale and warnings',
            self::Line => 'line',
        };
    }
}
