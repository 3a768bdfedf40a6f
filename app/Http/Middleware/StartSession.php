<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession as LaravelStartSession;

/**
 * Keeps answers of the manage API from changing the session cookie. A late answer would restore the cookie of an ended
 * session, and sign out a person who has just signed in again. The cookie is sent only if it differs from the
 * request's, and with the first request of each screen.
 */
class StartSession extends LaravelStartSession
{
    /** Lifetime of the cookie in days. The server decides when an unused session ends. */
    private const COOKIE_DAYS = 1;

    private const RENEWS = ['manage/api/start', 'manage/api/token', 'manage/api/sign-in'];

    protected function handleStatefulRequest(Request $request, $session, Closure $next)
    {
        $brought = $request->cookies->get($session->getName());
        $response = parent::handleStatefulRequest($request, $session, $next);
        $isAnother = is_string($brought) && $brought !== $session->getId();
        if ($request->is('manage/api/*') && ! $isAnother && ! $request->is(...self::RENEWS)) {
            $config = $this->manager->getSessionConfig();
            $response->headers->removeCookie($session->getName(), $config['path'], $config['domain']);
        }

        return $response;
    }

    protected function getCookieExpirationDate(): \DateTimeInterface
    {
        return now()->addDays(self::COOKIE_DAYS);
    }
}
