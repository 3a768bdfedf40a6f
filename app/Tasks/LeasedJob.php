<?php

declare(strict_types=1);

namespace App\Tasks;

use Illuminate\Foundation\Queue\Queueable;

/**
 * A long job that writes everything or nothing. It holds a lease while it runs; if its worker is stopped, it runs
 * again.
 */
trait LeasedJob
{
    use Queueable;

    /** Maximum number of attempts. After them, the work itself must be faulty. */
    public int $tries = 3;

    public int $timeout = 3600;

    /** @return list<object> */
    public function middleware(): array
    {
        return [new HoldsLease];
    }
}
