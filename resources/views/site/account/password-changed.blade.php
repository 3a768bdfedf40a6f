Dear {{ $name }},

the password of your account at {{ $site->name }} was changed. All other browsers
were signed out.

If you did not change it, ask for a link to a new password at once:

{{ rtrim(config('app.url'), '/') }}/account/password
