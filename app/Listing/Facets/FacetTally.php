<?php

declare(strict_types=1);

namespace App\Listing\Facets;

/** The counted values of one filter. */
final class FacetTally
{
    /** The number of records that match all other filters. */
    public int $left = 0;

    /** @var array<array-key, int> how many of those that pass every filter hold a value */
    public array $passing = [];

    /** @var array<array-key, int> how many of those that fail this filter alone hold a value */
    public array $failing = [];

    /** @var array{float, float}|null the least and the greatest, of numbers */
    public ?array $ends = null;

    /** @var array<int, int> how many records lie in each bar, of numbers */
    public array $bars = [];

    /**
     * @param  string  $held  empty, or the value after an equals sign
     * @param  bool  $passes  true if the records match this filter
     */
    public function add(string $held, int $records, bool $passes): void
    {
        $this->left += $records;
        if ($held === '') {
            return;
        }
        $value = substr($held, 1);
        if ($passes) {
            $this->passing[$value] = ($this->passing[$value] ?? 0) + $records;
        } else {
            $this->failing[$value] = ($this->failing[$value] ?? 0) + $records;
        }
    }
}
