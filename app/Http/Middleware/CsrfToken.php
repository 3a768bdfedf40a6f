<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;

/** The token stands in the page, not in a cookie that scripts could read. */
final class CsrfToken extends ValidateCsrfToken
{
    protected $addHttpCookie = false;
}
