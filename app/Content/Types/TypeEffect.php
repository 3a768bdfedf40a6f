<?php

declare(strict_types=1);

namespace App\Content\Types;

/** What a change of a type does to what is stored, said before it happens. */
final readonly class TypeEffect
{
    /** @param  bool  $loses  whether values leave the items, to come back only with an undo */
    public function __construct(
        public string $field,
        public string $message,
        public int $count = 0,
        public bool $loses = false,
    ) {
    }
}
