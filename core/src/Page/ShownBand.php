<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

/**
 * A band with what is left to show in it.
 *
 * @template-covariant T of object
 */
final readonly class ShownBand
{
    /** @param  non-empty-list<ShownSlot<T>>  $slots */
    public function __construct(public Band $band, public array $slots)
    {
    }
}
