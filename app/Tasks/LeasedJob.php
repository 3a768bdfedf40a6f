<?php

declare(strict_types=1);

namespace App\Tasks;

use Illuminate\Foundation\Queue\Queueable;

/**
 * A job that may take long, and of which all is written or nothing. It holds a lease while it is done; where its worker
 * is ended, it is begun anew.
 */
trait LeasedJob
{
    use Queueable;

    /** After so many times something is wrong with the work itself. */
    public int $tries = 3;

    public int $timeout = 3600;

    /** @return list<object> */
    public function middleware(): array
    {
        return [new HoldsLease];
    }
}
