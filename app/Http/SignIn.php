<?php

declare(strict_types=1);

namespace App\Http;

use App\Audit\AuditTrail;
use App\Models\AuditAction;
use App\Models\User;
use App\People\DemoAccounts;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;
use Wellspring\Core\Text\Whitespace;

/** Signing in and out, on the site and in Manage. */
final class SignIn
{
    /**
     * Wrong tries in a minute: of one address for one person, of one address for anybody, and of anybody for one
     * person.
     */
    private const TRIES = ['both' => 5, 'address' => 20, 'person' => 20];

    /**
     * @param  list<'manager'|'author'|'member'>  $roles  of whom may sign in here
     * @return string|null why nobody is signed in; null: somebody is
     */
    public function attempt(Request $request, array $roles): ?string
    {
        $credentials = $request->validate([
            'email' => ['required', 'string', 'max:200'],
            'password' => ['required', 'string', 'max:200'],
        ]);
        $email = mb_strtolower(Whitespace::trim($credentials['email']));
        $limits = [
            'both' => "sign-in:{$email}|{$request->ip()}",
            'address' => "sign-in:{$request->ip()}",
            'person' => "sign-in:{$email}",
        ];
        foreach ($limits as $limit => $key) {
            if (RateLimiter::tooManyAttempts($key, self::TRIES[$limit])) {
                return 'Too many wrong tries. Try again in '.RateLimiter::availableIn($key).' seconds.';
            }
        }
        if ($credentials['password'] === DemoAccounts::PASSWORD && ! DemoAccounts::openThisSite()) {
            return 'This is the published password of the demo, which opens no other site. On the server, php artisan '
                .'wellspring:manager gives a link for a new one.';
        }
        if (! Auth::attempt([
            'email' => $email,
            'password' => $credentials['password'],
            'active' => true,
            'role' => $roles,
        ])) {
            array_map(fn (string $key): int => RateLimiter::hit($key, 60), $limits);
            AuditTrail::record(AuditAction::SignInFailed, $email);

            return 'This e-mail address and password do not belong together'
                .(in_array('member', $roles, true) ? '.' : ', or may not manage the site.');
        }
        RateLimiter::clear($limits['both']);
        RateLimiter::clear($limits['person']);

        return null;
    }

    /** Gives whoever has just signed in a session of their own. */
    public function enter(Request $request): void
    {
        $request->session()->regenerate();
        $user = $request->user();
        if ($user instanceof User) {
            $request->session()->put(User::SESSION_KEY, $user->session_key);
            $user->update(['signed_in_at' => now()]);
            AuditTrail::record(AuditAction::SignedIn, $user->name);
        }
    }

    public function leave(Request $request): void
    {
        $user = $request->user();
        AuditTrail::record(AuditAction::SignedOut, $user instanceof User ? $user->name : '');
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();
    }
}
