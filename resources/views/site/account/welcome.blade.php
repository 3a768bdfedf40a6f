@use('App\Wording\SiteText')
@extends('site.layout')
@section('title', SiteText::plain('account.yourPassword'))
@section('head')
    <meta name="referrer" content="no-referrer">
@endsection
@section('content')
    @if ($person === null)
        <div class="page-head">
            <h1>@say('account.linkOver')</h1>
            <p class="intro">
                @say('account.linkOverWhy', [
                    'days' => App\People\AccountLinks::INVITATION_DAYS,
                    'minutes' => App\People\AccountLinks::PASSWORD_MINUTES,
                ])
                <a href="/account/password">@say('account.askAgain')</a>.
            </p>
        </div>
    @else
        <div class="page-head">
            <h1>@say('account.welcome', ['name' => $person->name])</h1>
            <p class="intro">@say('account.choosePassword', ['email' => $person->email])</p>
        </div>
        <form class="account-form" method="post">
            <input type="hidden" name="_token" value="{{ csrf_token() }}">
            @error('password')<p class="account-fault" role="alert">{{ $message }}</p>@enderror
            <label>@say('account.password')
                <input name="password" type="password" autocomplete="new-password" minlength="12" required></label>
            <label>@say('account.again')
                <input name="password_confirmation" type="password" autocomplete="new-password" minlength="12"
                    required></label>
            <button>@say('account.begin')</button>
        </form>
    @endif
@endsection
