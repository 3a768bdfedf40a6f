<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Lets managers through, and authors where a route says so; who was deactivated is signed out at the next request. */
final class MayManage
{
    /** @param  string  ...$roles  who else but managers */
    public function handle(Request $request, Closure $next, string ...$roles): Response
    {
        $user = $request->user();
        abort_unless($user instanceof User && $user->active, 401, 'You are signed out.');
        abort_unless($user->isManager() || in_array($user->role, $roles, true), 403, 'Only managers do this.');

        /** @var Response */
        return $next($request);
    }
}
