<?php

declare(strict_types=1);

namespace Wellspring\Core\Time;

/**
 * A span from one value to before another, as dates or instants, which compare like texts. An end that is null is open.
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
