<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

use Wellspring\Core\Sort\SortKey;

/** An order that visitors may choose. */
final readonly class OfferedOrder
{
    /** @param  non-empty-list<SortKey>  $order */
    public function __construct(public string $key, public string $name, public array $order)
    {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'name' => $this->name,
            'order' => array_map(fn (SortKey $key): array => $key->toArray(), $this->order),
        ];
    }
}
