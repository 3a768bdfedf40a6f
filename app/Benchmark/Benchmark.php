<?php

declare(strict_types=1);

namespace App\Benchmark;

/** One part of the application, measured beside the plainest hand-written alternative if there is one. */
interface Benchmark
{
    /** @return iterable<BenchmarkTable> each as soon as it is measured */
    public function measure(BenchmarkSite $site): iterable;
}
