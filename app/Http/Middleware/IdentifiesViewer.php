<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use App\People\Viewers;
use Closure;
use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Http\Request;
use Illuminate\Routing\Pipeline;
use Symfony\Component\HttpFoundation\Response;
use Wellspring\Core\Who\Viewer;

/**
 * Says who looks at a visitor's page. Whoever brings no session gets none: a session is opened only for the cookie of
 * one, and such a page is kept by nobody but the browser.
 */
final readonly class IdentifiesViewer
{
    private const ATTRIBUTE = 'viewer';

    public function __construct(private Pipeline $pipeline)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        if (! $request->cookies->has(config()->string('session.cookie'))) {
            return $next($request);
        }

        /** @var Response */
        return $this->pipeline->send($request)
            ->through([EncryptCookies::class, StartSession::class])
            ->then(function (Request $request) use ($next): Response {
                $user = $request->user();
                if ($user instanceof User && self::isCurrent($user, $request)) {
                    $request->attributes->set(self::ATTRIBUTE, Viewers::of($user));
                }
                $response = $next($request);
                $response->headers->set('Cache-Control', 'private, no-cache');

                return $response;
            });
    }

    public static function viewer(Request $request): Viewer
    {
        $viewer = $request->attributes->get(self::ATTRIBUTE);

        return $viewer instanceof Viewer ? $viewer : Viewer::signedOut();
    }

    /** Whether the account is open and the session was not ended elsewhere. */
    private static function isCurrent(User $user, Request $request): bool
    {
        return $user->active
            && $request->session()->get(User::SESSION_KEY, $user->session_key) === $user->session_key;
    }
}
