<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Task;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** People see the tasks that they started. */
final class TaskPolicy
{
    public function view(User $user, Task $task): Response
    {
        return $task->user_id === $user->id ? Response::allow() : Response::deny('This was begun by someone else.');
    }
}
