<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort;

use Wellspring\Core\Source\DefaultOrder;

/**
 * One sort key. Empty values come last in both directions unless the key puts them first.
 */
final readonly class SortKey
{
    public function __construct(
        public Criterion $by,
        public Direction $direction = Direction::Up,
        public bool $emptyFirst = false,
    ) {
    }

    public static function default(DefaultOrder $order): self
    {
        return new self(
            new Criterion\FieldValue($order->field),
            $order->descending ? Direction::Down : Direction::Up,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['by' => $this->by->key()] + $this->by->options() + [
            'direction' => $this->direction->value,
            'empty' => $this->emptyFirst ? 'first' : 'last',
        ];
    }
}
