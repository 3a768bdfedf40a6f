<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Listing\Indexes\Indexes;
use App\Modules\ModuleStore;
use App\Tasks\LeasedJob;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Support\Facades\DB;

/** Creates the indexes of live modules while the site runs, and drops unused ones. */
final class KeepIndexes implements ShouldQueue
{
    use Dispatchable;
    use LeasedJob;

    public function handle(Indexes $indexes, ModuleStore $modules): void
    {
        // PostgreSQL cannot build an index concurrently inside a transaction; `wellspring:indexes` does so later.
        if (DB::transactionLevel() === 0) {
            $indexes->keep($modules->allLive());
        }
    }
}
