<?php

declare(strict_types=1);

namespace Wellspring\Core\Wording;

/** A few words of a sentence. If they have a place, they are a control that changes that place of the definition. */
final readonly class Piece
{
    /** @param  string|null  $at the place in the definition, such as `where.all[0].value` */
    public function __construct(public string $text, public ?string $at = null)
    {
    }
}
