<?php

declare(strict_types=1);

namespace App\Tasks;

use Illuminate\Contracts\Queue\Job;

/** Job middleware that holds the lease while the job runs; a job that another worker is doing is skipped. */
final class HoldsLease
{
    private const LOOK_AGAIN = 60;

    /** @param  object{job: Job|null}  $work */
    public function handle(object $work, \Closure $next): void
    {
        $job = $work->job;
        $id = $job?->getJobId();
        if ($job === null || ! is_numeric($id)) {
            // The job runs inside the request, or from a queue outside the database.
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
