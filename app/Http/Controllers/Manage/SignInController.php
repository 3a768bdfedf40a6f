<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage;

use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

final class SignInController
{
    public function form(): View
    {
        return view('manage.sign-in');
    }

    public function signIn(Request $request): RedirectResponse
    {
        $credentials = $request->validate(['email' => ['required', 'string'], 'password' => ['required', 'string']]);
        if (! Auth::attempt(['email' => mb_strtolower(trim($credentials['email'])), 'password' => $credentials['password']])) {
            return back()->withInput(['email' => $credentials['email']])->withErrors(['email' => 'This e-mail address and password do not belong together.']);
        }
        $request->session()->regenerate();

        return redirect()->intended('/manage');
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
