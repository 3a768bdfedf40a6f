<p class="account-links">
    @if ($context->viewer->isSignedIn === true)
        <a href="/account">@say('account.own')</a>
    @else
        <a href="/account/sign-in?to={{ urlencode($address->path) }}">@say('account.signIn')</a>
        @if ($site->mayVisitorsSignUp)<a href="/account/sign-up">@say('account.signUp')</a>@endif
    @endif
</p>
