<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

/** A wider value for a condition, which keeps more records. */
final readonly class WiderValue
{
    /** @param  string  $words  the suggestion: “Also keep Half shade” */
    public function __construct(public string $words, public mixed $value)
    {
    }
}
