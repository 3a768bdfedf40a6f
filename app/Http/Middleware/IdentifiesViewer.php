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
 * Identifies the viewer of a visitor's page. A session is opened only if the request has a session cookie. Only the
 * browser may cache such a page.
 */
final readonly class IdentifiesViewer
{
    /** Session key: the person has signed out on the site. */
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
            // Without a session, a person who has signed out gets cached pages again.
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
