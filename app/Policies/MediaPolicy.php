<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Media;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** Authors may describe and remove the files that they uploaded. */
final class MediaPolicy
{
    public function edit(User $user, Media $media): Response
    {
        return $user->isManager() || $media->user_id === $user->id
            ? Response::allow()
            : Response::deny('This file is someone else’s.');
    }
}
