<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

/** A value with which a condition keeps more than it does. */
final readonly class WiderValue
{
    /** @param  string  $words  what is done: “Also keep Half shade” */
    public function __construct(public string $words, public mixed $value)
    {
    }
}
