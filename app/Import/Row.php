<?php

declare(strict_types=1);

namespace App\Import;

/** One row of an import before its values are read. */
final readonly class Row
{
    /**
     * @param  string  $place  its place in the file: `line 12`, `item 3`
     * @param  array<string, mixed>  $values  by column
     * @param  bool  $cells  true if the values are texts of cells rather than JSON values
     * @param  string|null  $fault  why it cannot be read at all
     */
    public function __construct(
        public string $place,
        public array $values,
        public bool $cells,
        public ?string $fault = null,
    ) {
    }

    /**
     * The same row with other values.
     *
     * @param  array<string, mixed>  $values  by column
     */
    public function with(array $values): self
    {
        return new self($this->place, $values, $this->cells, $this->fault);
    }
}
