<!doctype html>
<html lang="en" data-theme="quillmoor">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="referrer" content="no-referrer">
    <title>Welcome · Wellspring</title>
    <link rel="icon" href="/wellspring.svg" type="image/svg+xml">
    @vite('resources/css/manage.css')
</head>
<body class="min-h-screen bg-base-200 grid place-items-center p-5">
<main class="w-full max-w-sm">
    @if ($person === null)
        <h1 class="font-serif text-3xl font-semibold text-neutral">This link is no longer good</h1>
        <p class="mt-2 text-quiet">
            It was used, replaced by a newer one, or has expired: an invitation is valid for
            {{ App\People\AccountLinks::INVITATION_DAYS }} days, a link for a new password for
            {{ App\People\AccountLinks::PASSWORD_MINUTES }} minutes.
            Ask a manager of {{ $site->name }} for another.
        </p>
    @else
        <h1 class="font-serif text-4xl font-semibold text-neutral">Welcome, {{ $person->name }}</h1>
        <p class="mt-1 mb-6 text-quiet">
            Choose a password for {{ $site->name }}. You sign in with {{ $person->email }}.
        </p>
        <form method="post" class="bg-base-100 border border-base-300 rounded-box p-6 grid gap-4">
            @csrf
            @error('password')<p role="alert" class="text-secondary font-medium">{{ $message }}</p>@enderror
            <label class="grid gap-1"><span class="font-medium">Password</span>
                <input class="input w-full" name="password" type="password" autocomplete="new-password"
                    minlength="12" required autofocus></label>
            <label class="grid gap-1"><span class="font-medium">The same again</span>
                <input class="input w-full" name="password_confirmation" type="password"
                    autocomplete="new-password" minlength="12" required></label>
            <button class="btn btn-secondary mt-2">Begin</button>
        </form>
    @endif
</main>
</body>
</html>
