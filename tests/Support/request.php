<?php

declare(strict_types=1);

/*
 * Sends one request to the application, in a process of its own, at a given moment; for tests of what happens when
 * several people do the same at once. Prints the status, the answer and how long it took.
 *   php request.php USER_ID AT METHOD PATH BODY
 */
use App\Models\User;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

require dirname(__DIR__, 2).'/vendor/autoload.php';
$app = require dirname(__DIR__, 2).'/bootstrap/app.php';
$kernel = $app->make(Kernel::class);
$kernel->bootstrap();
[, $user, $at, $method, $path, $body] = $argv;
$request = Request::create(
    'http://localhost'.$path,
    $method,
    content: $body,
    server: ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/json'],
);
$app->instance('request', $request);
Auth::setUser(User::query()->findOrFail((int) $user));
if ((float) $at > microtime(true)) {
    time_sleep_until((float) $at);
}
$begun = microtime(true);
$answer = $kernel->handle($request);
echo json_encode([
    'status' => $answer->getStatusCode(),
    'body' => json_decode((string) $answer->getContent(), true),
    'seconds' => microtime(true) - $begun,
]);
