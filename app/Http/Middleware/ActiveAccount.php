<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Closure;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * Whoever was deactivated is signed out at the next request, and so are the other sessions of somebody whose password
 * is new or who was signed out everywhere, wherever sessions are kept.
 */
final class ActiveAccount
{
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        if (
            ! $user instanceof User
            || ! $user->active
            || $request->session()->get(User::SESSION_KEY, $user->session_key) !== $user->session_key
        ) {
            Auth::logout();
            $request->session()->invalidate();
            throw new AuthenticationException('You are signed out.', redirectTo: '/manage/sign-in');
        }
        $request->session()->put(User::SESSION_KEY, $user->session_key);

        /** @var Response */
        return $next($request);
    }
}
