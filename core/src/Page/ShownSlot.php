<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

/**
 * A slot with the blocks that show.
 *
 * @template-covariant T of object
 */
final readonly class ShownSlot
{
    /**
     * @param  int  $all  the sum of the shares of all remaining slots in the band
     * @param  non-empty-list<T>  $blocks
     */
    public function __construct(public Slot $slot, private int $all, public array $blocks)
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
        return new self($this->slot, $this->all, array_map($changed, $this->blocks));
    }

    /**
     * Its width in twelfths of the band, with its part of the removed slots' width: `8`, or `a/b` if it is not a whole
     * number.
     */
    public function share(): string
    {
        [$twelfths, $of] = [$this->slot->share * PageReader::SHARES, $this->all];
        [$a, $b] = [$twelfths, $of];
        while ($b !== 0) {
            [$a, $b] = [$b, $a % $b];
        }

        return $of === $a ? (string) intdiv($twelfths, $a) : intdiv($twelfths, $a).'/'.intdiv($of, $a);
    }
}
