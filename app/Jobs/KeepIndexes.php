<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Listing\Indexes\Indexes;
use App\Modules\ModuleStore;
use App\Tasks\LeasedJob;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Support\Facades\DB;

/** Makes the indexes that live modules need, while the site goes on, and drops those that none does. */
final class KeepIndexes implements ShouldQueue
{
    use Dispatchable;
    use LeasedJob;

    public function handle(Indexes $indexes, ModuleStore $modules): void
    {
        // The database makes no index beside others' work from within a transaction; `wellspring:indexes` catches up.
        if (DB::transactionLevel() === 0) {
            $indexes->keep($modules->allLive());
        }
    }
}
