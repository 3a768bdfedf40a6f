<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Offer;

/** A kind of block in the list of blocks to add. */
final readonly class OfferedBlock
{
    /**
     * @param  array<string, mixed>|null  $begin  a new block in the form of a definition; null if it cannot be added
     *   there
     * @param  string  $why  why it cannot be added there
     */
    public function __construct(public string $key, public ?array $begin, public string $why)
    {
    }
}
