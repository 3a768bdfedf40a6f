<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Models\User;
use App\People\People;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;

/** The door: signing in and out, and taking up an invitation. */
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
        if (! Auth::attempt(['email' => mb_strtolower(trim($credentials['email'])), 'password' => $credentials['password'], 'active' => true, 'role' => ['manager', 'author']])) {
            RateLimiter::hit($who, 60);

            return $this->again($credentials['email'], 'This e-mail address and password do not belong together, or may not manage the site.');
        }
        RateLimiter::clear($who);

        return $this->enter($request);
    }

    public function welcome(string $secret, People $people): View
    {
        return view('manage.welcome', ['person' => $people->invited($secret)]);
    }

    public function takeUp(Request $request, string $secret, People $people): RedirectResponse
    {
        $person = $people->invited($secret);
        if ($person === null) {
            return back();
        }
        $given = $request->validate(['password' => ['required', 'string', 'min:10', 'max:200', 'confirmed']], [
            'password.min' => 'Expected at least 10 characters.',
            'password.confirmed' => 'The two passwords differ.',
        ]);
        $people->changePassword($person, $given['password']);
        if ($person->role === 'member') {
            return redirect('/');
        }
        Auth::login($person);

        return $this->enter($request);
    }

    private function enter(Request $request): RedirectResponse
    {
        $request->session()->regenerate();
        $user = $request->user();
        if ($user instanceof User) {
            $user->update(['signed_in_at' => now()]);
        }

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
