<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

/** One option of a filter, with how many records would be listed if it were chosen. */
final readonly class FacetOption
{
    /** @param  int  $depth  how many of the options it stands below, in a tree; 0 elsewhere */
    public function __construct(
        public string $value,
        public string $label,
        public int $count,
        public bool $isChosen,
        public int $depth = 0,
    ) {
    }

    /** Whether nothing is behind it; one that is chosen can always be taken back. */
    public function isOff(): bool
    {
        return $this->count === 0 && ! $this->isChosen;
    }
}
