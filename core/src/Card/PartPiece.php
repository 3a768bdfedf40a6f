<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

/** A piece of what a part shows. */
final readonly class PartPiece
{
    /**
     * @param  string  $role  what it is: `now`, `former`, `badge`, `term`, `linked`
     * @param  array{string, string}|null  $term  taxonomy and slug of the term whose page it leads to
     * @param  array{string, string}|null  $record  type and slug of the record whose page it leads to
     */
    public function __construct(
        public string $text,
        public string $role,
        public ?array $term = null,
        public ?array $record = null,
    ) {
    }
}
