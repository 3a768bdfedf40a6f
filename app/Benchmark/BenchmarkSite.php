<?php

declare(strict_types=1);

namespace App\Benchmark;

use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\Module;

/** The filled site that is measured. */
final readonly class BenchmarkSite
{
    /**
     * @param  array<string, Module>  $modules  by the name that `BenchmarkSeeder::modules` gives them
     * @param  string  $picture  the address of one that everybody may see
     * @param  string  $url  where the site is served; empty where it is not
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
