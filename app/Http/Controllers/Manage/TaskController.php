<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Models\Task;
use App\Tasks\TaskAnswer;
use App\Tasks\Tasks;
use Illuminate\Support\Facades\Auth;

/**
 * Long tasks: those that are running, and the answers of finished ones.
 *
 * @phpstan-import-type TaskShape from TaskAnswer
 */
final class TaskController
{
    /** @return list<TaskShape> */
    public function index(): array
    {
        $tasks = Task::query()
            ->where('user_id', Auth::id())
            ->whereIn('state', ['waiting', 'running'])
            ->orderBy('id')
            ->get()
            ->all();

        return array_map(TaskAnswer::about(...), array_values($tasks));
    }

    /** @return TaskAnswer<array<string, mixed>> */
    public function show(Task $task): TaskAnswer
    {
        return Tasks::answer($task);
    }
}
