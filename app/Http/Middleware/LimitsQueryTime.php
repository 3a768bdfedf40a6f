<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\Response;

/** Ends queries that a visitor's request makes last too long: whatever an address asks for, nobody waits for it. */
final readonly class LimitsQueryTime
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        self::limit(config()->integer('site.visitor_query_seconds') * 1000);
        try {
            return $next($request);
        } finally {
            // The connection outlives the request.
            self::limit(0);
        }
    }

    private static function limit(int $milliseconds): void
    {
        DB::connection()->getPdo()->exec("set statement_timeout = {$milliseconds}");
    }
}
