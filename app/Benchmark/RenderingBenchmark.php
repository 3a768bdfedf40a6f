<?php

declare(strict_types=1);

namespace App\Benchmark;

use App\Listing\Listing;
use App\Site\Address\PageAddress;
use App\Site\Listings\VisitorListing;
use App\Site\Listings\VisitorListings;
use App\Site\Output\Outputs;
use Wellspring\Core\Paging\PagingRule;

/** Rendering a page of cards, beside the run of its module. */
final readonly class RenderingBenchmark implements Benchmark
{
    public function __construct(private Listing $listing, private VisitorListings $listings, private Outputs $outputs)
    {
    }

    public function measure(BenchmarkSite $site): iterable
    {
        $module = $site->modules['filtered']->paged(new PagingRule(48))->bound($site->context);
        $run = fn (): VisitorListing => $this->listings->of(
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
