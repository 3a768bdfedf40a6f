<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Listing\QueryTimeLimit;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Ends queries that a visitor's request makes last too long: whatever an address asks for, nobody waits for it. */
final readonly class LimitsQueryTime
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        QueryTimeLimit::set(config()->integer('site.visitor_query_seconds'));
        try {
            return $next($request);
        } finally {
            // The connection outlives the request.
            QueryTimeLimit::set(0);
        }
    }
}
