<?php

declare(strict_types=1);

namespace App\Benchmark;

use App\Pages\PageStore;
use App\Site\Address\AddressAnswers;
use App\Site\PlacementGrid;
use Illuminate\Support\Facades\DB;

/**
 * A page that is not cached, the drafts of all pages and the grid, on a site with ten more pages and with ten thousand.
 */
final readonly class ManyPagesBenchmark implements Benchmark
{
    public function __construct(
        private AddressAnswers $answers,
        private PageStore $pages,
        private PlacementGrid $grid,
    ) {
    }

    public function measure(BenchmarkSite $site): iterable
    {
        $asks = [
            'a page of three modules, made anew' => fn () => $this->answers->find('/bench-three', $site->context),
            'an address that no page has' => fn () => $this->answers->find('/many-1/none', $site->context),
            'the drafts of all pages' => fn () => $this->pages->drafts()->all(),
            'the grid of modules against pages' => fn () => $this->grid->part('', '', $site->context),
            'the grid, where one module is sought' => fn () => $this->grid->part('Many 7', '', $site->context),
        ];
        $rows = array_map(fn (string $what): array => [$what], array_keys($asks));
        foreach ([[10, 10], [10_000, 300]] as [$pages, $modules]) {
            $site->seeder->fillPages($pages, $modules);
            foreach (array_values($asks) as $i => $ask) {
                array_push($rows[$i], self::queries($ask), Stopwatch::median($ask));
            }
        }
        yield new BenchmarkTable(['', '10 pages more: queries', 'ms', '10,000 and 300 modules: queries', 'ms'], $rows);
    }

    private static function queries(\Closure $ask): int
    {
        DB::enableQueryLog();
        $ask();
        $queries = count(DB::getQueryLog());
        DB::disableQueryLog();
        DB::flushQueryLog();

        return $queries;
    }
}
