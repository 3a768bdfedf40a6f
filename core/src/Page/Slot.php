<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

/** A part of a band's width, with its blocks in order. */
final readonly class Slot
{
    /**
     * @param  int<1, 12>  $share  its part of the band's width, in twelfths
     * @param  list<PlacedBlock>  $blocks
     */
    public function __construct(public int $share, public array $blocks, public Schedule $schedule)
    {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['share' => $this->share]
            + $this->schedule->toArray()
            + ['blocks' => array_map(fn (PlacedBlock $block): array => $block->toArray(), $this->blocks)];
    }
}
