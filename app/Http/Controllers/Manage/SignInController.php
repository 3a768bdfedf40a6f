<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use App\Audit\AuditTrail;
use App\Http\Requests\SignInRequest;
use App\Http\RequestText;
use App\Models\AuditAction;
use App\Models\User;
use App\People\DemoAccounts;
use App\People\People;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Whitespace;

/** The door: signing in and out, and taking up an invitation. */
final class SignInController
{
    /**
     * Wrong tries in a minute: of one address for one person, of one address for anybody, and of anybody for one
     * person.
     */
    private const TRIES = ['both' => 5, 'address' => 20, 'person' => 20];

    public function form(): View
    {
        return view(
            'manage.sign-in',
            ['nobody' => ! User::query()->where('role', 'manager')->whereNotNull('password')->exists()],
        );
    }

    public function signIn(Request $request): RedirectResponse
    {
        $why = $this->attempt($request);

        return $why === null ? $this->enter($request) : back()
            ->withInput(['email' => RequestText::text($request, 'email')])
            ->withErrors(['email' => $why]);
    }

    /**
     * For a page that is open still.
     *
     * @return array{email: string}
     */
    public function signInAgain(SignInRequest $request): array
    {
        $why = $this->attempt($request);
        if ($why !== null) {
            throw Refused::because('', ProblemCode::NotSignedIn, $why);
        }
        $this->enter($request);

        return ['email' => RequestText::text($request, 'email')];
    }

    /** @return array{token: string} what writes of this session must carry */
    public function token(): array
    {
        return ['token' => (string) csrf_token()];
    }

    /** @return string|null why nobody is signed in; null: somebody is */
    private function attempt(Request $request): ?string
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
            'role' => ['manager', 'author'],
        ])) {
            array_map(fn (string $key): int => RateLimiter::hit($key, 60), $limits);
            AuditTrail::record(AuditAction::SignInFailed, $email);

            return 'This e-mail address and password do not belong together, or may not manage the site.';
        }
        RateLimiter::clear($limits['both']);
        RateLimiter::clear($limits['person']);

        return null;
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
        try {
            $people->changePassword($person, $given['password']);
        } catch (Refused $refused) {
            return back()->withErrors(['password' => $refused->problems[0]->message]);
        }
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
            $request->session()->put(User::SESSION_KEY, $user->session_key);
            $user->update(['signed_in_at' => now()]);
            AuditTrail::record(AuditAction::SignedIn, $user->name);
        }

        return redirect()->intended('/manage');
    }

    /** @return array{signedOut: true} */
    public function signOut(Request $request): array
    {
        $user = $request->user();
        AuditTrail::record(AuditAction::SignedOut, $user instanceof User ? $user->name : '');
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return ['signedOut' => true];
    }
}
