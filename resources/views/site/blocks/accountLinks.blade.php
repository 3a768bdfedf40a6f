<p class="account-links">
    @if ($context->viewer->isSignedIn === true)
        <a href="/manage">Your account</a>
    @else
        <a href="/manage/sign-in">Sign in</a>
    @endif
</p>
