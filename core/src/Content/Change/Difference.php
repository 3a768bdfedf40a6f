<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Change;

/** A field with a changed value, in words; empty words stand for no value. */
final readonly class Difference
{
    public function __construct(public string $field, public string $label, public string $before, public string $after)
    {
    }
}
