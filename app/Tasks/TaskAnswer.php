<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Models\Task;
use Illuminate\Http\JsonResponse;

/**
 * The answer of long work: its result, or, with status 202, the task that will have it.
 *
 * @template-covariant TBody of array<string, mixed>
 *
 * @phpstan-type TaskShape array{
 *     id: int, title: string, state: 'waiting'|'running'|'done'|'failed', stopped: bool, done: int,
 *     total: int,
 * }
 * @phpstan-type WaitingShape array{task: TaskShape}
 */
final class TaskAnswer extends JsonResponse
{
    /** @return self<array<string, mixed>> */
    public static function waiting(Task $task): self
    {
        return new self(['task' => self::about($task)], self::HTTP_ACCEPTED);
    }

    /** @return TaskShape */
    public static function about(Task $task): array
    {
        return [
            'id' => $task->id, 'title' => $task->title, 'state' => $task->state,
            'stopped' => JobLease::isStopped($task),
            'done' => $task->done, 'total' => $task->total,
        ];
    }
}
