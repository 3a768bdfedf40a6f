<?php

declare(strict_types=1);

namespace App\Listing\Compile;

/** One expression that a listing is ordered by. */
final readonly class OrderBy
{
    /**
     * @param  string  $type  of its values, for comparing with one given as text
     * @param  bool|null  $emptyFirst  null where none can be empty; said there, it would only keep an index from
     *   being used
     */
    public function __construct(
        public Fragment $by,
        public string $type,
        public bool $up = true,
        public ?bool $emptyFirst = false,
    ) {
    }

    /** The same from the last to the first. */
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
