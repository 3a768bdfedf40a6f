<?php

declare(strict_types=1);

namespace App\Listing;

use Illuminate\Support\Facades\DB;

/** A timeout for queries on this connection. PostgreSQL cancels a query that takes longer. */
final class QueryTimeLimit
{
    /** @param  int  $seconds  0: no timeout */
    public static function set(int $seconds): void
    {
        DB::connection()->getPdo()->exec('set statement_timeout = '.$seconds * 1000);
    }
}
