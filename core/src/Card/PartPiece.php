<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

/** One piece of a part's value. */
final readonly class PartPiece
{
    /**
     * @param  string  $role  its kind: `now`, `former`, `badge`, `term`, `linked`
     * @param  array{string, string}|null  $term  taxonomy and slug of the linked term
     * @param  array{string, string}|null  $record  type and slug of the linked record
     */
    public function __construct(
        public string $text,
        public string $role,
        public ?array $term = null,
        public ?array $record = null,
    ) {
    }
}
