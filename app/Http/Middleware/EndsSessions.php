<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * Signs out people whose account was closed, and sessions that are too old or were ended elsewhere: by a new password,
 * or by "sign out everywhere". This runs before any route reads the user, and works with every session driver.
 */
final class EndsSessions
{
    /** Maximum age of a session in hours, however busy it is (OWASP ASVS 4.0, 3.3.2). */
    private const HOURS = 12;

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        if ($user instanceof User && self::isCurrent($user, $request)) {
            $request->session()->put(User::SESSION_KEY, $user->session_key);
            $request->session()->put(User::SESSION_BEGUN, self::begun($request));
        } elseif ($user !== null) {
            Auth::logout();
            $request->session()->invalidate();
            $request->session()->regenerateToken();
        }

        return $next($request);
    }

    private static function begun(Request $request): int
    {
        $begun = $request->session()->get(User::SESSION_BEGUN);

        return is_int($begun) ? $begun : now()->getTimestamp();
    }

    /** True if the account is open, and the session is neither too old nor ended elsewhere. */
    public static function isCurrent(User $user, Request $request): bool
    {
        return $user->active
            && now()->getTimestamp() - self::begun($request) < self::HOURS * 3600
            && $request->session()->get(User::SESSION_KEY, $user->session_key) === $user->session_key;
    }
}
