<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;

/** The token stands in the page, not in a cookie that scripts could read. */
final class CsrfToken extends ValidateCsrfToken
{
    protected $addHttpCookie = false;

    /** A form that stands on kept pages, which are the same for all and carry no token. */
    private const WITHOUT_TOKEN = 'account/sign-in';

    /** Such a form is taken from this site's own pages alone, which every browser tells (RFC 6454, 7). */
    protected function inExceptArray($request)
    {
        return $request->is(self::WITHOUT_TOKEN)
            && $request->headers->get('Origin') === $request->getSchemeAndHttpHost()
            || parent::inExceptArray($request);
    }
}
