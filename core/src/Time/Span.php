<?php

declare(strict_types=1);

namespace Wellspring\Core\Time;

/**
 * From one value to before another, as plain dates or as instants, which compare as text does. An end that is null is
 * open.
 */
final readonly class Span
{
    public function __construct(public ?string $from, public ?string $until)
    {
    }

    public function contains(string $value): bool
    {
        return ($this->from === null || $value >= $this->from) && ($this->until === null || $value < $this->until);
    }
}
