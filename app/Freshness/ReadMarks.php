<?php

declare(strict_types=1);

namespace App\Freshness;

/** Marks that were read in one query for several results, before any of their content. */
final readonly class ReadMarks
{
    /** @param  array<string, string>|null  $byKey  what ContentMarks::of() gave: null where nothing may be cached */
    public function __construct(private ?array $byKey)
    {
    }

    /**
     * @param  list<string>  $keys
     * @return array<string, string>|null those of the keys; null where nothing may be cached
     */
    public function of(array $keys): ?array
    {
        return $this->byKey === null ? null : array_intersect_key($this->byKey, array_flip($keys));
    }
}
