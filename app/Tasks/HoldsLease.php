<?php

declare(strict_types=1);

namespace App\Tasks;

use Illuminate\Contracts\Queue\Job;

/** Middleware of jobs: the lease is held while the job is done; a job that another worker is doing is left to it. */
final class HoldsLease
{
    private const LOOK_AGAIN = 60;

    /** @param  object{job: Job|null}  $work */
    public function handle(object $work, \Closure $next): void
    {
        $job = $work->job;
        $id = $job?->getJobId();
        if ($job === null || ! is_numeric($id)) {
            // Done in the request itself, or from a queue that is not the database's.
            $next($work);

            return;
        }
        if (! JobLease::take((int) $id)) {
            $job->release(self::LOOK_AGAIN);

            return;
        }
        try {
            $next($work);
        } finally {
            JobLease::release((int) $id);
        }
    }
}
