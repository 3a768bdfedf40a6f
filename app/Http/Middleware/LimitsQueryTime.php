<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Listing\QueryTimeLimit;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Limits the time of queries for a visitor's request, so that no address can keep the database busy. */
final readonly class LimitsQueryTime
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        QueryTimeLimit::set(config()->integer('site.visitor_query_seconds'));
        try {
            return $next($request);
        } finally {
            // The connection is used again after the request.
            QueryTimeLimit::set(0);
        }
    }
}
