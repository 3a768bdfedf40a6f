@extends('site.layout')
@section('title', 'Your password')
@section('head')
    <meta name="referrer" content="no-referrer">
@endsection
@section('content')
    @if ($person === null)
        <div class="page-head">
            <h1>This link is no longer good</h1>
            <p class="intro">
                It was used, replaced by a newer one, or has expired: an invitation is valid for
            {{ App\People\AccountLinks::INVITATION_DAYS }} days, a link for a new password for
            {{ App\People\AccountLinks::PASSWORD_MINUTES }} minutes.
                <a href="/account/password">Ask for another</a>.
            </p>
        </div>
    @else
        <div class="page-head">
            <h1>Welcome, {{ $person->name }}</h1>
            <p class="intro">Choose a password. You sign in with {{ $person->email }}.</p>
        </div>
        <form class="account-form" method="post">
            <input type="hidden" name="_token" value="{{ csrf_token() }}">
            @error('password')<p class="account-fault" role="alert">{{ $message }}</p>@enderror
            <label>Password
                <input name="password" type="password" autocomplete="new-password" minlength="12" required></label>
            <label>The same again
                <input name="password_confirmation" type="password" autocomplete="new-password" minlength="12"
                    required></label>
            <button>Begin</button>
        </form>
    @endif
@endsection
