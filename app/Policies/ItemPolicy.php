<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Item;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** Authors may use their own items; managers all. */
final class ItemPolicy
{
    public function edit(User $user, Item $item): Response
    {
        return $user->isManager() || $item->author_id === $user->id
            ? Response::allow()
            : Response::deny('This item is another author’s.');
    }
}
