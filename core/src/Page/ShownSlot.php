<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

/**
 * A slot with what is left to show in it.
 *
 * @template-covariant T of object
 */
final readonly class ShownSlot
{
    /**
     * @param  int  $all  the shares of all slots of the band that are left, its own included
     * @param  non-empty-list<T>  $blocks
     */
    public function __construct(public Slot $slot, private int $all, public array $blocks)
    {
    }

    /**
     * @template U of object
     *
     * @param  \Closure(T): U  $changed  of each block
     * @return self<U>
     */
    public function withBlocks(\Closure $changed): self
    {
        return new self($this->slot, $this->all, array_map($changed, $this->blocks));
    }

    /**
     * Its width in twelfths of the band's, with its part of what the slots that are gone had: `8`, or `a/b` where it is
     * no whole number.
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
