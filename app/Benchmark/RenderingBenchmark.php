<?php

declare(strict_types=1);

namespace App\Benchmark;

use App\Listing\Listing;
use App\Site\ListingResult;
use App\Site\Listings;
use App\Site\Output\Outputs;
use App\Site\PageAddress;
use Wellspring\Core\Paging\PagingRule;

/** A page of cards, beside the run that feeds it. */
final readonly class RenderingBenchmark implements Benchmark
{
    public function __construct(private Listing $listing, private Listings $listings, private Outputs $outputs)
    {
    }

    public function measure(BenchmarkSite $site): iterable
    {
        $module = $site->modules['filtered']->paged(new PagingRule(48))->bound($site->context);
        $run = fn (): ListingResult => $this->listings->of(
            $module,
            new PageAddress('/'),
            $site->context,
            $this->listing->show($module, $site->context),
            [],
        );
        $result = $run();
        yield new BenchmarkTable(['cards', 'rendering ms', 'run ms', 'ratio'], [Stopwatch::compare(
            'a page of 48, beside the run that feeds it',
            fn () => $this->outputs->find('html')->write($result),
            $run,
        )]);
    }
}
