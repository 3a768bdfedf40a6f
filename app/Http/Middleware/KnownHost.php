<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Symfony\Component\HttpFoundation\Exception\SuspiciousOperationException;
use Symfony\Component\HttpFoundation\Response;

/** Answers only under the site's own host names, so that links never contain a forged Host header. */
final class KnownHost
{
    public function handle(Request $request, Closure $next): Response
    {
        try {
            $host = $request->getHost();
        } catch (SuspiciousOperationException) {
            $host = '';
        }
        if (! in_array($host, self::known(), true)) {
            return new PlainResponse(
                'This site is not served under this name; SITE_HOSTS says which names are its own.',
                400,
                ['Content-Type' => 'text/plain; charset=utf-8'],
            );
        }

        /** @var Response */
        return $next($request);
    }

    /** @return list<string> the names of SITE_HOSTS, and the one of APP_URL; beside a loopback address, all of them */
    private static function known(): array
    {
        $own = (string) parse_url(config()->string('app.url'), PHP_URL_HOST);
        $loopback = ['127.0.0.1', 'localhost', '[::1]'];
        $named = array_filter(
            array_map(trim(...), explode(',', config()->string('site.hosts'))),
            fn (string $host): bool => $host !== '',
        );

        return [...array_values($named), $own, ...in_array($own, $loopback, true) ? $loopback : []];
    }
}
