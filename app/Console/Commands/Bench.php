<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Benchmark\Benchmark;
use App\Benchmark\BenchmarkSeeder;
use App\Benchmark\BenchmarkSite;
use App\Benchmark\ChoicesBenchmark;
use App\Benchmark\ImportBenchmark;
use App\Benchmark\ManageBenchmark;
use App\Benchmark\ManyPagesBenchmark;
use App\Benchmark\QueryBenchmark;
use App\Benchmark\RenderingBenchmark;
use App\Benchmark\ServedPagesBenchmark;
use App\Console\ReportsProblems;
use App\Listing\ContextFactory;
use App\Listing\Indexes\Indexes;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/**
 * Measures the application beside the plainest hand-written alternatives, in one run. bin/bench calls it on a separate
 * database.
 */
final class Bench extends Command
{
    use ReportsProblems;

    /** The parts for `--only`, in the order of measurement. */
    private const PARTS = [
        'queries' => QueryBenchmark::class,
        'choices' => ChoicesBenchmark::class,
        'cards' => RenderingBenchmark::class,
        'manage' => ManageBenchmark::class,
        'import' => ImportBenchmark::class,
        'pages' => ManyPagesBenchmark::class,
        'served' => ServedPagesBenchmark::class,
    ];

    protected $signature = 'wellspring:bench
        {--items=100000 : how many items}
        {--only= : one part: queries, choices, cards, manage, import, pages or served}
        {--url= : where the site is served}';

    protected $description = 'Fill a database of the bench’s own and measure listings beside hand-written SQL';

    public function handle(BenchmarkSeeder $seeder, ContextFactory $contexts, Indexes $indexes): int
    {
        if (! str_ends_with(DB::connection()->getDatabaseName(), '_bench')) {
            $this->error(
                'This fills its database with invented items; run it with bin/bench, which gives it one of its own.',
            );

            return self::FAILURE;
        }
        $items = filter_var(
            $this->option('items'),
            FILTER_VALIDATE_INT,
            ['options' => ['min_range' => 1000, 'max_range' => 5_000_000]],
        );
        if ($items === false) {
            $this->error('--items: expected a whole number from 1000 to 5000000.');

            return self::INVALID;
        }
        $only = $this->given('--only');
        if ($only !== '' && ! isset(self::PARTS[$only])) {
            $this->error('--only: expected one of '.implode(', ', array_keys(self::PARTS)).", found “{$only}”.");

            return self::INVALID;
        }
        $this->line("Filling to {$items} items");
        $seeder->fill($items, fn (int $done) => $this->output->write("\r{$done} "));
        $this->newLine();
        $modules = $seeder->modules();
        foreach ($indexes->keep(array_values($modules))['made'] as $made) {
            $this->line("Made the index {$made}");
        }
        $site = new BenchmarkSite($seeder, $modules, $contexts->now(), $seeder->picture(), $this->given('--url'));
        foreach ($only === '' ? self::PARTS : [self::PARTS[$only]] as $part) {
            /** @var Benchmark $benchmark */
            $benchmark = app($part);
            foreach ($benchmark->measure($site) as $table) {
                $this->table($table->headings, $table->rows);
            }
        }

        return self::SUCCESS;
    }
}
