<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Middleware\IdentifiesViewer;
use App\Http\RequestText;
use App\Http\SignIn;
use App\Jobs\SendAccountLink;
use App\Listing\ContextFactory;
use App\Models\User;
use App\People\Accounts;
use App\People\People;
use App\People\Viewers;
use App\Site\Address\PageAddress;
use App\Site\SitePages;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Who\Viewer;
use Wellspring\Core\Wording\SiteWords;

/** Members' accounts on the site: signing in and out, signing up, and a new password. */
final readonly class AccountController
{
    public function __construct(
        private SignIn $signIn,
        private People $people,
        private Accounts $accounts,
        private SitePages $sitePages,
        private ContextFactory $contexts,
        private SiteWords $words,
    ) {
    }

    public function show(Request $request): View|RedirectResponse
    {
        $user = $request->user();

        return $user instanceof User
            ? $this->page($request, 'account', ['person' => $user])
            : redirect('/account/sign-in');
    }

    public function form(Request $request): View|RedirectResponse
    {
        return $request->user() === null
            ? $this->page($request, 'sign-in', ['to' => self::local($request->query('to'))])
            : redirect(self::local($request->query('to')));
    }

    public function signIn(Request $request): RedirectResponse
    {
        $to = self::local($request->input('to'));
        $why = $this->signIn->attempt($request, ['manager', 'author', 'member'], $this->words);
        if ($why !== null) {
            return redirect('/account/sign-in?'.http_build_query(['to' => $to]))
                ->withInput(['email' => RequestText::text($request, 'email')])
                ->withErrors(['email' => $why]);
        }
        $this->signIn->enter($request);

        return redirect($to);
    }

    public function signOut(Request $request): RedirectResponse
    {
        $this->signIn->leave($request);
        $request->session()->put(IdentifiesViewer::HAS_LEFT, true);

        return redirect('/');
    }

    public function signUpForm(Request $request): View
    {
        abort_unless($this->accounts->mayBeMade(), 404);

        return $this->page($request, 'sign-up');
    }

    public function signUp(Request $request): RedirectResponse
    {
        abort_unless($this->accounts->mayBeMade(), 404);
        $given = $request->validate([
            'name' => ['required', 'string', 'max:100'],
            'email' => ['required', 'email', 'max:200'],
        ], $this->faults());
        SendAccountLink::dispatch($given['email'], $given['name']);

        return $this->linkSent();
    }

    public function passwordForm(Request $request): View
    {
        return $this->page($request, 'password');
    }

    public function password(Request $request): RedirectResponse
    {
        $given = $request->validate(['email' => ['required', 'email', 'max:200']], $this->faults());
        SendAccountLink::dispatch($given['email']);

        return $this->linkSent();
    }

    public function welcome(Request $request, string $secret): View
    {
        return $this->page($request, 'welcome', ['person' => $this->people->invited($secret)]);
    }

    public function takeUp(Request $request, string $secret): RedirectResponse
    {
        $given = $request->validate(['password' => ['required', 'string', 'confirmed']], $this->faults());
        try {
            $person = $this->people->choosePassword($secret, $given['password'], $this->words);
        } catch (Refused $refused) {
            return back()->withErrors(['password' => $refused->problems[0]->message]);
        }
        if ($person === null) {
            return back();
        }
        Auth::login($person);
        $this->signIn->enter($request);

        return redirect('/account');
    }

    /** Says that a link was sent, whether or not there is such an account. */
    private function linkSent(): RedirectResponse
    {
        return back()->with('said', $this->words->text('account.linkSent'));
    }

    /** @return array<string, string> what a form says about a wrong value, by field and rule */
    private function faults(): array
    {
        return [
            'name.*' => $this->words->text('account.needsName'),
            'email.*' => $this->words->text('account.needsEmail'),
            'password.confirmed' => $this->words->text('account.differ'),
            'password.*' => $this->words->text('account.needsPassword'),
        ];
    }

    /** @param  array<string, mixed>  $data */
    private function page(Request $request, string $view, array $data = []): View
    {
        $user = $request->user();
        $context = $this->contexts->now($user instanceof User ? Viewers::of($user) : Viewer::signedOut());

        return view("site.account.{$view}", $data + [
            'frame' => $this->sitePages->frame(new PageAddress('/account'), $context),
        ]);
    }

    /** An address of this site to redirect to; any other address becomes the home page. */
    private static function local(mixed $to): string
    {
        return is_string($to) && preg_match('~^/(?![/\\\\])[^\x00-\x20\\\\]*$~D', $to) === 1 ? $to : '/';
    }
}
