<form class="account-form" method="post" action="/account/sign-in">
    <input type="hidden" name="to" value="{{ $to }}">
    @if ($fault !== '')<p class="account-fault" role="alert">{{ $fault }}</p>@endif
    <label>E-mail address
        <input name="email" type="email" autocomplete="username" required value="{{ $email }}"></label>
    <label>Password <input name="password" type="password" autocomplete="current-password" required></label>
    <button>Sign in</button>
    <p>
        <a href="/account/password">Forgotten the password?</a>
        @if ($site->mayVisitorsSignUp)<a href="/account/sign-up">Sign up</a>@endif
    </p>
</form>
