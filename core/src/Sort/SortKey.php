<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort;

use Wellspring\Core\Content\Field;

/** One of the keys that records are ordered by. Empty values come last in both directions unless they are asked for first. */
final readonly class SortKey
{
    public function __construct(
        public Field $field,
        public Direction $direction = Direction::Up,
        public bool $emptyFirst = false,
    ) {
    }

    /** @return array{by: string, direction: string, empty: string} */
    public function toArray(): array
    {
        return ['by' => $this->field->key, 'direction' => $this->direction->value, 'empty' => $this->emptyFirst ? 'first' : 'last'];
    }
}
