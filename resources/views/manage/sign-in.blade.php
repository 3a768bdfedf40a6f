@use('App\Http\RequestText')
<!doctype html>
<html lang="en" data-theme="quillmoor">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>Sign in · Wellspring</title>
    <link rel="icon" href="/wellspring.svg" type="image/svg+xml">
    @vite('resources/css/manage.css')
</head>
<body class="min-h-screen bg-base-200 grid place-items-center p-5">
<main class="w-full max-w-sm">
    <h1 class="font-serif text-4xl font-semibold text-neutral">Wellspring</h1>
    <p class="mt-1 mb-6 text-quiet">Sign in to manage {{ $site->name }}.</p>
    @if ($nobody)
        <p class="mb-4 bg-base-100 border border-base-300 rounded-box p-4">
            Nobody can sign in yet. On the server, run<br>
            <code>php artisan wellspring:manager you@example.org</code><br>
            and open the link that it prints.
        </p>
    @endif
    <form method="post" action="/manage/sign-in" class="bg-base-100 border border-base-300 rounded-box p-6 grid gap-4">
        @csrf
        @error('email')<p role="alert" class="text-secondary font-medium">{{ $message }}</p>@enderror
        <label class="grid gap-1"><span class="font-medium">E-mail address</span>
            <input class="input w-full" name="email" type="email" autocomplete="username"
                value="{{ RequestText::old(request(), 'email') }}" required autofocus></label>
        <label class="grid gap-1"><span class="font-medium">Password</span>
            <input class="input w-full" name="password" type="password" autocomplete="current-password"
                required></label>
        <button class="btn btn-secondary mt-2">Sign in</button>
    </form>
</main>
</body>
</html>
