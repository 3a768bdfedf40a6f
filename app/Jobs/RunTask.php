<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Audit\Actor;
use App\Catalogue\CatalogueStore;
use App\Models\Task;
use App\Tasks\LeasedJob;
use App\Tasks\Tasks;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Database\LostConnectionDetector;
use Wellspring\Core\Problem\Refused;

/** Does the work of a task in the queue, as the person who started it. */
final class RunTask implements ShouldQueue
{
    use LeasedJob;

    private const FAULT = [['path' => '', 'code' => 'failed', 'message' => 'Something went wrong on the server; '
        .'nothing was written. It has been noted in the log.']];

    public function __construct(private readonly int $task)
    {
    }

    public function handle(Tasks $tasks, CatalogueStore $store): void
    {
        $task = Task::query()->find($this->task);
        // The work is already done: the worker was stopped before it could report so.
        if ($task === null || ! $task->isUnderWay()) {
            return;
        }
        $store->forget();
        if ($task->user_id !== null && Actor::id() !== $task->user_id) {
            // A worker runs many jobs, each as another person.
            Actor::become($task->user_id);
        }
        try {
            $tasks->finish($task);
        } catch (\Throwable $fault) {
            if ($fault instanceof Refused) {
                $tasks->refuse($task, $fault);

                return;
            }
            // Nothing can be recorded while the database is down; the job runs again later.
            if (app(LostConnectionDetector::class)->causedByLostConnection($fault)) {
                throw $fault;
            }
            report($fault);
            $tasks->fail($task, self::FAULT);
        }
    }

    /** Called if the worker was stopped each time, or took too long. */
    public function failed(?\Throwable $fault): void
    {
        $task = Task::query()->find($this->task);
        if ($task !== null) {
            app(Tasks::class)->fail($task, self::FAULT);
        }
    }
}
