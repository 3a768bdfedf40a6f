<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

/** A part with what it shows for one record. */
final readonly class RenderedPart
{
    /**
     * @param  string  $text  plain text; for a picture its name
     * @param  bool  $said  whether an empty-value rule says it
     */
    public function __construct(public Part $part, public string $text, public bool $said = false)
    {
    }
}
