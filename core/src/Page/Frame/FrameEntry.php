<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Frame;

use Wellspring\Core\Page\Place;
use Wellspring\Core\Page\PlacedBlock;

/** A block in the frame, with the pages on which it shows. */
final readonly class FrameEntry
{
    public function __construct(public PlacedBlock $placed, public Place $place)
    {
    }

    public function words(): string
    {
        $more = array_filter([$this->place->words(), $this->placed->schedule->words()]);

        return $this->placed->block->words().($more === [] ? '' : ' ('.implode(', ', $more).')');
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return $this->placed->toArray() + $this->place->toArray();
    }
}
