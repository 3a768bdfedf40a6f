<?php

declare(strict_types=1);

namespace App\Http;

use App\Audit\AuditTrail;
use App\Audit\ClientNetwork;
use App\Enums\AuditAction;
use App\Models\User;
use App\People\DemoAccounts;
use Illuminate\Cache\Lock;
use Illuminate\Contracts\Cache\LockTimeoutException;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Sleep;
use Wellspring\Core\Text\Whitespace;
use Wellspring\Core\Wording\SiteWords;

/** Signing in and out, on the site and in Manage. */
final class SignIn
{
    /** Tries in a minute from one network: for one person, and for anybody. */
    private const TRIES = ['both' => 5, 'network' => 20];

    /** Tries in a minute for one person from everywhere; more are answered slowly, the right one among them. */
    private const TRIES_FOR_PERSON = 20;

    private const SLOW_MILLISECONDS = 1_500;

    private const SECONDS = 60;

    /**
     * @param  list<'manager'|'author'|'member'>  $roles  of whom may sign in here
     * @param  SiteWords  $words  in the language of the one who signs in
     * @return string|null why nobody is signed in; null: somebody is
     */
    public function attempt(Request $request, array $roles, SiteWords $words): ?string
    {
        $credentials = $request->validate([
            'email' => ['required', 'string', 'max:200'],
            'password' => ['required', 'string', 'max:200'],
        ], ['email.*' => $words->text('account.needsEmail'), 'password.*' => $words->text('account.needsPassword')]);
        $email = mb_strtolower(Whitespace::trim($credentials['email']));
        $network = ClientNetwork::of((string) $request->ip());
        $limits = ['both' => "sign-in:{$email}|{$network}", 'network' => "sign-in:{$network}"];
        // Each try is counted before it is checked: of many at the same moment, no more are checked than the limit.
        foreach ($limits as $limit => $key) {
            if (self::counted($key) > self::TRIES[$limit]) {
                return $words->text('account.tooManyTries', ['n' => max(1, RateLimiter::availableIn($key))]);
            }
        }
        if (self::counted("sign-in:{$email}") > self::TRIES_FOR_PERSON) {
            Sleep::for(self::SLOW_MILLISECONDS)->milliseconds();
        }
        if ($credentials['password'] === DemoAccounts::PASSWORD && ! DemoAccounts::openThisSite()) {
            return 'This is the published password of the demo, which opens no other site. On the server, php artisan '
                .'wellspring:manager gives a link for a new one.';
        }
        $user = User::query()->where('email', $email)->first();
        if (! self::opens($user, $credentials['password'], $roles)) {
            AuditTrail::record(AuditAction::SignInFailed, $email);

            return in_array('member', $roles, true)
                ? $words->text('account.wrong')
                : 'This e-mail address and password do not belong together, or may not manage the site.';
        }
        RateLimiter::clear($limits['both']);
        RateLimiter::decrement($limits['network'], self::SECONDS);
        RateLimiter::decrement("sign-in:{$email}", self::SECONDS);
        Auth::login($user);

        return null;
    }

    /**
     * Whether the password opens the account. A hash is checked in every case, so that the time is the same whether or
     * not there is an account.
     *
     * @param  list<string>  $roles
     *
     * @phpstan-assert-if-true User $user
     */
    private static function opens(?User $user, string $password, array $roles): bool
    {
        $hash = $user->password ?? self::hashOfNobody();
        $isRight = Hash::check($password, $hash);
        if ($user === null || $user->password === null || ! $isRight) {
            return false;
        }
        if (! $user->active || ! in_array($user->role, $roles, true)) {
            return false;
        }
        if (Hash::needsRehash($hash)) {
            $user->update(['password' => $password]);
        }

        return true;
    }

    /**
     * Counts a try, one after the other: the framework's counter may lose one of two that begin it at the same moment.
     *
     * @return int tries of the last minute, this one included
     */
    private static function counted(string $key): int
    {
        $lock = Cache::lock("counting:{$key}", 5);
        if ($lock instanceof Lock) {
            $lock->betweenBlockedAttemptsSleepFor(20);
        }
        try {
            $tries = $lock->block(3, fn (): int => RateLimiter::hit($key, self::SECONDS));
        } catch (LockTimeoutException) {
            return PHP_INT_MAX;
        }

        return is_int($tries) ? $tries : PHP_INT_MAX;
    }

    /** A hash of a password that nobody has, as slow to check as the others. */
    private static function hashOfNobody(): string
    {
        return (string) Cache::rememberForever(
            'sign-in:nobody:'.json_encode(config('hashing')),
            fn (): string => Hash::make(bin2hex(random_bytes(16))),
        );
    }

    /** Gives a person who has just signed in a session of their own. */
    public function enter(Request $request): void
    {
        $request->session()->regenerate();
        $user = $request->user();
        if ($user instanceof User) {
            $request->session()->put(User::SESSION_KEY, $user->session_key);
            $request->session()->put(User::SESSION_BEGUN, now()->getTimestamp());
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
