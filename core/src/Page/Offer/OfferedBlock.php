<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Offer;

/** A kind of block for a place where blocks can be added. */
final readonly class OfferedBlock
{
    /**
     * @param  array<string, mixed>|null  $begin  a new block, as a definition has it; null if none can stand there
     * @param  string  $why  why none can stand there
     */
    public function __construct(public string $key, public ?array $begin, public string $why)
    {
    }
}
