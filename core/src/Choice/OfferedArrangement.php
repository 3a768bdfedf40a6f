<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

use Wellspring\Core\Arrangement\Arrangement;

/** An arrangement that visitors may choose. */
final readonly class OfferedArrangement
{
    public function __construct(public string $key, public string $name, public Arrangement $arrange)
    {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['key' => $this->key, 'name' => $this->name, 'arrange' => $this->arrange->toArray()];
    }
}
