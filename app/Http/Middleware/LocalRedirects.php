<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Redirects contain only a path (RFC 9110, 10.2.2 allows it), so they never repeat a host or port from the request. The
 * site does not redirect to other sites: such an address, for example from a Referer header, becomes the home page.
 * Redirects are not cached, because something new may take the old address.
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
