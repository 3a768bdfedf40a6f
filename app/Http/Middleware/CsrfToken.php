<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;

/** Puts the token into the page instead of a cookie that scripts could read. */
final class CsrfToken extends ValidateCsrfToken
{
    protected $addHttpCookie = false;

    /** Forms on cached pages, which are the same for all visitors and contain no token. */
    private const WITHOUT_TOKEN = 'account/sign-in';

    /** Such a form is accepted only from this site's own pages. Every browser sends the Origin header (RFC 6454, 7). */
    protected function inExceptArray($request)
    {
        return $request->is(self::WITHOUT_TOKEN)
            && $request->headers->get('Origin') === $request->getSchemeAndHttpHost()
            || parent::inExceptArray($request);
    }
}
