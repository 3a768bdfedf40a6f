<?php

declare(strict_types=1);

namespace App\Content\Types;

/** One effect of a type's change on stored content, reported before it happens. */
final readonly class TypeEffect
{
    /** @param  bool  $loses  true if items lose values, which only an undo restores */
    public function __construct(
        public string $field,
        public string $message,
        public int $count = 0,
        public bool $loses = false,
    ) {
    }
}
