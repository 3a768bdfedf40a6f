<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

/** The number of cards in a row at each window width. A narrow slot has fewer. */
final readonly class Columns
{
    public const MAX = 12;

    public function __construct(
        public int $phone = 1,
        public int $tablet = 2,
        public int $laptop = 3,
        public int $desktop = 4,
    ) {
    }

    public function at(Width $width): int
    {
        return match ($width) {
            Width::Phone => $this->phone,
            Width::Tablet => $this->tablet,
            Width::Laptop => $this->laptop,
            Width::Desktop => $this->desktop,
        };
    }

    /**
     * The number of columns that fit into a slot: `max(1, min(n, floor((w + g) / (m + g))))`. All lengths are in px.
     *
     * @param  int  $most  the number in the definition
     * @param  float  $slot  width of the slot
     * @param  float  $gap  between two cards
     * @param  int  $narrowest  minimum width of a card
     */
    public static function fitting(int $most, float $slot, float $gap, int $narrowest): int
    {
        return max(1, min($most, (int) floor(($slot + $gap) / ($narrowest + $gap))));
    }

    /** The number of cards in the last row: `((n − 1) mod columns) + 1` for n > 0, else 0. */
    public static function lastRow(int $cards, int $columns): int
    {
        return $cards > 0 ? (($cards - 1) % $columns) + 1 : 0;
    }

    /** @return array{phone: int, tablet: int, laptop: int, desktop: int} */
    public function toArray(): array
    {
        return [
            'phone' => $this->phone,
            'tablet' => $this->tablet,
            'laptop' => $this->laptop,
            'desktop' => $this->desktop,
        ];
    }
}
