<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Change;

/** One field whose value changed, in words; empty words where there was or is no value. */
final readonly class Difference
{
    public function __construct(public string $field, public string $label, public string $before, public string $after)
    {
    }
}
