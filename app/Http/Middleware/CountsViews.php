<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\ViewCounts\CountableVisit;
use App\ViewCounts\ViewCounter;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Counts the view of an item's page after the page has been sent, so that the visitor does not wait. */
final readonly class CountsViews
{
    public function __construct(private ViewCounter $seen)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        return $next($request);
    }

    public function terminate(Request $request, Response $response): void
    {
        $item = $request->attributes->get('item');
        $visit = CountableVisit::of(
            $request->method(),
            (string) $request->ip(),
            (string) $request->userAgent(),
            (string) $request->headers->get('Sec-Purpose', $request->headers->get('Purpose', '')),
        );
        if (is_int($item) && $visit !== null && in_array($response->getStatusCode(), [200, 304], true)) {
            $this->seen->note($item, $visit);
        }
    }
}
