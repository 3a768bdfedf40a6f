<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

/**
 * A band with the blocks that show.
 *
 * @template-covariant T of object
 */
final readonly class ShownBand
{
    /** @param  non-empty-list<ShownSlot<T>>  $slots */
    public function __construct(public Band $band, public array $slots)
    {
    }

    /**
     * @template U of object
     *
     * @param  \Closure(T): U  $changed  applied to each block
     * @return self<U>
     */
    public function withBlocks(\Closure $changed): self
    {
        return new self($this->band, array_map(
            fn (ShownSlot $slot): ShownSlot => $slot->withBlocks($changed),
            $this->slots,
        ));
    }
}
