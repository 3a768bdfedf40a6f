<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Illuminate\Contracts\Session\Session;
use Symfony\Component\HttpFoundation\Response;

/**
 * Sessions on visitors' pages: a session continues for people who are signed in or have just signed out, and never
 * begins there. A cookie without a session does not start one.
 */
final class ContinuesSession extends StartSession
{
    protected function addCookieToResponse(Response $response, Session $session)
    {
        if ($this->isOfSomebody($session)) {
            parent::addCookieToResponse($response, $session);
        }
    }

    protected function saveSession($request)
    {
        if ($this->isOfSomebody($request->session())) {
            parent::saveSession($request);
        }
    }

    private function isOfSomebody(Session $session): bool
    {
        return $session->has(User::SESSION_KEY) || $session->has(IdentifiesViewer::HAS_LEFT);
    }
}
