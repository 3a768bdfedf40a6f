<?php

declare(strict_types=1);

namespace App\Import;

/** One row of an import before it is understood. */
final readonly class Row
{
    /**
     * @param  string  $place  where it stands in the file: `line 12`, `item 3`
     * @param  array<string, mixed>  $values  by column
     * @param  bool  $cells  whether the values are the text of cells rather than values of JSON
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
