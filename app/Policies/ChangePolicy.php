<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Change;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** Authors may undo their own changes. */
final class ChangePolicy
{
    public function undo(User $user, Change $change): Response
    {
        return $user->isManager() || $change->user_id === $user->id
            ? Response::allow()
            : Response::deny('This was done by someone else.');
    }
}
