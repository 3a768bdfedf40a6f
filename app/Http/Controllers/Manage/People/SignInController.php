<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage\People;

use App\Http\Requests\People\SignInRequest;
use App\Http\RequestText;
use App\Http\SignIn;
use App\Models\User;
use App\People\People;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Wording\SiteWords;

/** Signing in to Manage, signing out, and accepting an invitation. */
final readonly class SignInController
{
    private const ROLES = ['manager', 'author'];

    public function __construct(private SignIn $signIn)
    {
    }

    public function form(): View
    {
        return view(
            'manage.sign-in',
            ['nobody' => ! User::query()->where('role', 'manager')->whereNotNull('password')->exists()],
        );
    }

    public function signIn(Request $request): RedirectResponse
    {
        $why = $this->signIn->attempt($request, self::ROLES, SiteWords::of('en'));

        return $why === null ? $this->enter($request) : back()
            ->withInput(['email' => RequestText::text($request, 'email')])
            ->withErrors(['email' => $why]);
    }

    /**
     * For a page that is still open after its session ended.
     *
     * @return array{email: string}
     */
    public function signInAgain(SignInRequest $request): array
    {
        $why = $this->signIn->attempt($request, self::ROLES, SiteWords::of('en'));
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

    public function welcome(string $secret, People $people): View
    {
        return view('manage.welcome', ['person' => $people->invited($secret)]);
    }

    public function takeUp(Request $request, string $secret, People $people): RedirectResponse
    {
        $given = $request->validate(['password' => ['required', 'string', 'confirmed']], [
            'password.confirmed' => 'The two passwords differ.',
        ]);
        try {
            $person = $people->choosePassword($secret, $given['password'], SiteWords::of('en'));
        } catch (Refused $refused) {
            return back()->withErrors(['password' => ucfirst($refused->problems[0]->message)]);
        }
        if ($person === null) {
            return back();
        }
        if ($person->role === 'member') {
            return redirect('/');
        }
        Auth::login($person);

        return $this->enter($request);
    }

    private function enter(Request $request): RedirectResponse
    {
        $this->signIn->enter($request);

        return redirect()->intended('/manage');
    }

    /** @return array{signedOut: true} */
    public function signOut(Request $request): array
    {
        $this->signIn->leave($request);

        return ['signedOut' => true];
    }
}
