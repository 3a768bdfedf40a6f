<?php

declare(strict_types=1);

use App\Content\StaleWrite;
use App\Http\DatabaseFaults;
use App\Http\Middleware\CsrfToken;
use App\Http\Middleware\EndsSessions;
use App\Http\Middleware\KeepsPages;
use App\Http\Middleware\KnownHost;
use App\Http\Middleware\LimitsBody;
use App\Http\Middleware\LocalRedirects;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\StartSession;
use App\Http\Middleware\TellsOrigin;
use App\Http\Resources\Refusal;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Console\Scheduling\Schedule;
use Illuminate\Contracts\Auth\Middleware\AuthenticatesRequests;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession as LaravelStartSession;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Problem\Refused;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__.'/../routes/web.php')
    ->withSchedule(function (Schedule $schedule): void {
        $schedule->command('wellspring:tidy')->everyMinute()->withoutOverlapping(5);
        $schedule->command('queue:prune-failed', ['--hours' => 24 * 90])->daily();
    })
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->remove(HandleCors::class);
        $middleware->prepend([KeepsPages::class, SecurityHeaders::class, LocalRedirects::class, LimitsBody::class]);
        // After the framework's TrustProxies: only then are the host and the client's address known.
        $middleware->append([KnownHost::class, TellsOrigin::class]);
        $middleware->trustProxies(headers: Request::HEADER_X_FORWARDED_FOR | Request::HEADER_X_FORWARDED_HOST
            | Request::HEADER_X_FORWARDED_PORT | Request::HEADER_X_FORWARDED_PROTO);
        $middleware->web(append: [EndsSessions::class], replace: [
            ValidateCsrfToken::class => CsrfToken::class,
            LaravelStartSession::class => StartSession::class,
        ]);
        // Before `auth` and `guest`, which the framework puts first.
        $middleware->prependToPriorityList(AuthenticatesRequests::class, EndsSessions::class);
        // What the manage screens send is read as it was typed; core says what is dropped.
        $fromManage = fn (Request $request): bool => $request->is('manage/api/*');
        $middleware->trimStrings([$fromManage]);
        $middleware->convertEmptyStringsToNull([$fromManage]);
        $middleware->redirectGuestsTo('/manage/sign-in');
        $middleware->redirectUsersTo('/manage');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->dontReport([Refused::class, NoSuchPage::class, StaleWrite::class]);
        // The same fault is told once an hour, however many requests come upon it.
        $exceptions->throttle(fn (Throwable $fault): Limit => Limit::perHour(1)->by(
            hash('xxh128', $fault::class.$fault->getMessage().$fault->getFile().$fault->getLine()),
        ));
        $exceptions->shouldRenderJsonWhen(
            fn (Request $request): bool => $request->is('manage/api/*') || $request->expectsJson(),
        );
        $exceptions->render(Refusal::of(...));
        $exceptions->render(
            fn (QueryException $fault, Request $request): ?JsonResponse => $request->is('manage/api/*')
                ? DatabaseFaults::answer($fault)
                : null,
        );
        $exceptions->render(
            fn (
                NotFoundHttpException $none,
                Request $request,
            ): ?JsonResponse => $request->is('manage/api/*') && $none->getPrevious() instanceof ModelNotFoundException
                ? DatabaseFaults::notFound($none->getPrevious())
                : null,
        );
        $exceptions->map(fn (PDOException $fault): Throwable => DatabaseFaults::unavailable($fault) ?? $fault);
        $exceptions->map(
            NoSuchPage::class,
            fn (NoSuchPage $none) => new NotFoundHttpException($none->getMessage(), $none),
        );
    })
    ->create();
