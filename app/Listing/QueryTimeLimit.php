<?php

declare(strict_types=1);

namespace App\Listing;

use Illuminate\Support\Facades\DB;

/** How long one query may take on this connection; the database ends it then. */
final class QueryTimeLimit
{
    /** @param  int  $seconds  0: as long as it wants */
    public static function set(int $seconds): void
    {
        DB::connection()->getPdo()->exec('set statement_timeout = '.$seconds * 1000);
    }
}
