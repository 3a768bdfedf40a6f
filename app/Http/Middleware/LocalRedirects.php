<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Redirects within the site give the path alone (RFC 9110, 10.2.2 allows it), so that no redirect repeats a host or
 * port that the request brought. Browsers ask again each time: an address that has moved may be taken by something new.
 */
final class LocalRedirects
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $location = (string) $response->headers->get('Location');
        if ($location === '') {
            return $response;
        }
        $site = $request->getSchemeAndHttpHost();
        if (preg_match('~^'.preg_quote($site, '~').'($|[/?#].*)~Ds', $location, $found) === 1) {
            // Two slashes at the beginning would name another host.
            $response->headers->set('Location', '/'.ltrim($found[1], '/'));
        }
        if (! $response->headers->has('Cache-Control')) {
            $response->headers->set('Cache-Control', 'no-cache');
        }

        return $response;
    }
}
