<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Database\Seeders\Demo\DemoSite;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

final class DemoLoad extends Command
{
    protected $signature = 'wellspring:demo:load {--if-empty : do nothing, quietly, where there is content already}';

    protected $description = 'Load the demo site, Quillmoor Garden, into an empty database';

    public function handle(DemoSite $demo): int
    {
        if (DemoSite::isThere()) {
            if (! $this->option('if-empty')) {
                $this->error(
                    'There is content already; the demo goes into an empty database only. bin/start --fresh starts '
                        .'over.',
                );
            }

            return $this->option('if-empty') ? self::SUCCESS : self::FAILURE;
        }
        $this->line('Loading the demo site');
        $bar = $this->output->createProgressBar(110);
        DB::transaction(fn () => $demo->load(fn () => $bar->advance()));
        $bar->finish();
        $this->newLine();

        return self::SUCCESS;
    }
}
