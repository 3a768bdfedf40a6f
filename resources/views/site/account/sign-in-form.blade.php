<form class="account-form" method="post" action="/account/sign-in">
    <input type="hidden" name="to" value="{{ $to }}">
    @if ($fault !== '')<p class="account-fault" role="alert">{{ $fault }}</p>@endif
    <label>@say('account.email')
        <input name="email" type="email" autocomplete="username" required value="{{ $email }}"></label>
    <label>@say('account.password')
        <input name="password" type="password" autocomplete="current-password" required></label>
    <button>@say('account.signIn')</button>
    <p>
        <a href="/account/password">@say('account.forgotten')</a>
        @if ($site->mayVisitorsSignUp)<a href="/account/sign-up">@say('account.signUp')</a>@endif
    </p>
</form>
