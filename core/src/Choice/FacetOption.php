<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

/** One option of a filter, with the number of listed records if it were chosen. */
final readonly class FacetOption
{
    /** @param  int  $depth  its depth in a tree of options; otherwise 0 */
    public function __construct(
        public string $value,
        public string $label,
        public int $count,
        public bool $isChosen,
        public int $depth = 0,
    ) {
    }

    /** True if it would list no record. A chosen option can always be removed. */
    public function isOff(): bool
    {
        return $this->count === 0 && ! $this->isChosen;
    }
}
