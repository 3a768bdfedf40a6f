<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * Signs out, before any route reads the user, a person whose account was closed, and every session that was ended
 * elsewhere: by a new password, or by "sign out everywhere". Works with every session driver.
 */
final class EndsSessions
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        if ($user instanceof User && self::isCurrent($user, $request)) {
            $request->session()->put(User::SESSION_KEY, $user->session_key);
        } elseif ($user !== null) {
            Auth::logout();
            $request->session()->invalidate();
            $request->session()->regenerateToken();
        }

        return $next($request);
    }

    /** Whether the account is open and the session was not ended elsewhere. */
    public static function isCurrent(User $user, Request $request): bool
    {
        return $user->active
            && $request->session()->get(User::SESSION_KEY, $user->session_key) === $user->session_key;
    }
}
