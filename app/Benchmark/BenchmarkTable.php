<?php

declare(strict_types=1);

namespace App\Benchmark;

/** A table of measurements for printing. */
final readonly class BenchmarkTable
{
    /**
     * @param  list<string>  $headings
     * @param  list<list<string|int>>  $rows  a cell for each heading
     */
    public function __construct(public array $headings, public array $rows)
    {
    }
}
