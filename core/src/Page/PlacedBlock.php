<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

/** A block where it stands, with for whom and when. */
final readonly class PlacedBlock
{
    public function __construct(public Block $block, public Schedule $schedule)
    {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return $this->block->toArray() + $this->schedule->toArray();
    }
}
