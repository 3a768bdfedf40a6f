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
     * @param  float  $share  of the band's width, in twelfths: its own and its part of what those that are gone had
     * @param  non-empty-list<T>  $blocks
     */
    public function __construct(public Slot $slot, public float $share, public array $blocks)
    {
    }
}
