<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;

final class SignInController
{
    /** Wrong passwords that one address may try for one person in a minute. */
    private const TRIES = 5;

    public function form(): View
    {
        return view('manage.sign-in');
    }

    public function signIn(Request $request): RedirectResponse
    {
        $credentials = $request->validate(['email' => ['required', 'string'], 'password' => ['required', 'string']]);
        $who = mb_strtolower(trim($credentials['email'])).'|'.$request->ip();
        if (RateLimiter::tooManyAttempts($who, self::TRIES)) {
            return $this->again($credentials['email'], 'Too many wrong tries. Try again in '.RateLimiter::availableIn($who).' seconds.');
        }
        if (! Auth::attempt(['email' => mb_strtolower(trim($credentials['email'])), 'password' => $credentials['password']])) {
            RateLimiter::hit($who, 60);

            return $this->again($credentials['email'], 'This e-mail address and password do not belong together.');
        }
        RateLimiter::clear($who);
        $request->session()->regenerate();

        return redirect()->intended('/manage');
    }

    private function again(string $email, string $why): RedirectResponse
    {
        return back()->withInput(['email' => $email])->withErrors(['email' => $why]);
    }

    /** @return array{signedOut: true} */
    public function signOut(Request $request): array
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return ['signedOut' => true];
    }
}
