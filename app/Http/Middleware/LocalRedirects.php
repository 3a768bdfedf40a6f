<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Redirects give the path alone (RFC 9110, 10.2.2 allows it), so that no redirect repeats a host or port that the
 * request brought. The site redirects nowhere else; an address of another site, such as one that a Referer header
 * brought, becomes the home page. Browsers ask again each time: something new may take an address that has moved.
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
        $own = preg_quote($request->getSchemeAndHttpHost(), '~');
        // Two slashes at the beginning would name another host.
        $path = preg_match("~^(?:{$own})?(?:/(?![/\\\\])|(?=[?#]|$))(.*)~Ds", $location, $found) === 1
            ? "/{$found[1]}"
            : '/';
        $response->headers->set('Location', $path);
        if (! $response->headers->has('Cache-Control')) {
            $response->headers->set('Cache-Control', 'no-cache');
        }

        return $response;
    }
}
