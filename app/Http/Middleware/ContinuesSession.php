<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Illuminate\Contracts\Session\Session;
use Symfony\Component\HttpFoundation\Response;

/**
 * The session on visitors' pages: continued for people who are signed in or have just signed out, never begun. A
 * cookie that belongs to no session makes no session.
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
