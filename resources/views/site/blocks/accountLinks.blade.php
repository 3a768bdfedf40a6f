<p class="account-links">
    @if ($context->viewer->isSignedIn === true)
        <a href="/account">Your account</a>
    @else
        <a href="/account/sign-in?to={{ urlencode($address->path) }}">Sign in</a>
        @if ($site->mayVisitorsSignUp)<a href="/account/sign-up">Sign up</a>@endif
    @endif
</p>
