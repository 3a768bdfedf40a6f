<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Models\Task;
use App\Tasks\Tasks;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Auth;

/** Long work that somebody began: what is under way, and the answer of what is done. */
final class TaskController
{
    /** @return list<array{id: int, title: string, state: string, done: int, total: int}> */
    public function index(): array
    {
        return array_values(
            Task::query()
                ->where('user_id', Auth::id())
                ->whereIn('state', ['waiting', 'running'])
                ->orderBy('id')
                ->get()
                ->map(Tasks::about(...))
                ->all(),
        );
    }

    /** The answer, with status 202 while there is none. */
    public function show(Task $task): JsonResponse
    {
        return Tasks::answer($task);
    }
}
