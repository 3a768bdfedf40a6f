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
    /** Under this key a session says that somebody has signed out on the site. */
    public const HAS_LEFT = 'has left';

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

        $hasLeft = false;
        /** @var Response $response */
        $response = $this->pipeline->send($request)
            ->through([EncryptCookies::class, ContinuesSession::class])
            ->then(function (Request $request) use ($next, &$hasLeft): Response {
                $user = $request->user();
                $hasLeft = $user === null && $request->session()->has(self::HAS_LEFT);
                if ($user instanceof User && EndsSessions::isCurrent($user, $request)) {
                    $request->attributes->set(self::ATTRIBUTE, Viewers::of($user));
                }
                $response = $next($request);
                $response->headers->set('Cache-Control', 'private, no-cache');

                return $response;
            });
        if ($hasLeft) {
            // Without a session, whoever has signed out gets kept pages again.
            $response->headers->clearCookie(
                config()->string('session.cookie'),
                config()->string('session.path'),
                config('session.domain'),
            );
        }

        return $response;
    }

    public static function viewer(Request $request): Viewer
    {
        $viewer = $request->attributes->get(self::ATTRIBUTE);

        return $viewer instanceof Viewer ? $viewer : Viewer::signedOut();
    }
}
