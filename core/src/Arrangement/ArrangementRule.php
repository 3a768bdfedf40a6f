<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

/** How a module's records are laid out. Only a grid has columns; a list has one. */
final readonly class ArrangementRule
{
    public function __construct(
        public Arrangement $as = Arrangement::Grid,
        public Columns $columns = new Columns,
    ) {
    }

    public function columnsAt(Width $width): int
    {
        return $this->as === Arrangement::Grid ? $this->columns->at($width) : 1;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['as' => $this->as->value] + (
            $this->as === Arrangement::Grid ? ['columns' => $this->columns->toArray()] : []
        );
    }
}
