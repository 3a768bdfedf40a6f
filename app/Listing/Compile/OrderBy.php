<?php

declare(strict_types=1);

namespace App\Listing\Compile;

/** One sort expression of a listing. */
final readonly class OrderBy
{
    /**
     * @param  string  $type  the SQL type of its values, for comparisons with a value given as text
     * @param  bool|null  $emptyFirst  null if no value can be empty; then NULLS FIRST is left out, because it would
     *   prevent the use of an index
     */
    public function __construct(
        public Fragment $by,
        public string $type,
        public bool $up = true,
        public ?bool $emptyFirst = false,
    ) {
    }

    /** The same in reverse order. */
    public function reversed(): self
    {
        return new self(
            $this->by,
            $this->type,
            ! $this->up,
            $this->emptyFirst === null ? null : ! $this->emptyFirst,
        );
    }

    public function sql(): string
    {
        return $this->by->sql.($this->up ? ' asc' : ' desc').match ($this->emptyFirst) {
            null => '',
            true => $this->up ? ' nulls first' : '',
            false => $this->up ? '' : ' nulls last',
        };
    }
}
