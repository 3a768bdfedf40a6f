<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Audit\Actor;
use App\Catalogue\CatalogueStore;
use App\Models\Task;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Does the work of a task away from the request, as whoever began it. */
final class RunTask implements ShouldQueue
{
    use Queueable;

    private const FAULT = [['path' => '', 'code' => 'failed', 'message' => 'Something went wrong on the server; '
        .'nothing was written. It has been noted in the log.']];

    public int $tries = 1;

    public int $timeout = 3600;

    public function __construct(private readonly int $task)
    {
    }

    public function handle(Tasks $tasks, CatalogueStore $store): void
    {
        $task = Task::query()->find($this->task);
        if ($task === null) {
            return;
        }
        $store->forget();
        if ($task->user_id !== null && Actor::id() !== $task->user_id) {
            // A worker does one job after another, each for somebody else.
            Actor::become($task->user_id);
        }
        try {
            $tasks->finish($task);
        } catch (\Throwable $fault) {
            report($fault);
            $tasks->fail($task, self::FAULT);
        }
    }

    /** Called where the worker itself was ended meanwhile, or took too long. */
    public function failed(?\Throwable $fault): void
    {
        $task = Task::query()->find($this->task);
        if ($task !== null) {
            app(Tasks::class)->fail($task, self::FAULT);
        }
    }
}
