<?php

declare(strict_types=1);

namespace App\Benchmark;

use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\Module;

/** The filled site for measurements. */
final readonly class BenchmarkSite
{
    /**
     * @param  array<string, Module>  $modules  by their names in `BenchmarkSeeder::modules`
     * @param  string  $picture  the address of a public picture
     * @param  string  $url  the address of the served site; empty if it is not served
     */
    public function __construct(
        public BenchmarkSeeder $seeder,
        public array $modules,
        public Context $context,
        public string $picture,
        public string $url,
    ) {
    }
}
