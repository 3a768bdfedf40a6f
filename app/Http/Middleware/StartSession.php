<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession as LaravelStartSession;

/**
 * Answers of the manage API leave the session's cookie as it is: one that comes late would bring back the cookie of a
 * session that has ended, and the person who has signed in anew in the meantime would be signed out. The cookie is
 * sent where it is another than the one that was brought, and by what each screen asks for when it opens.
 */
class StartSession extends LaravelStartSession
{
    /** Days that browsers keep the cookie; how long a session lasts unused, the server decides. */
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
