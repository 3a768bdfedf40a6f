<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Audit\Actor;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Records the origin of the request for the audit trail, also for jobs that the request queues. */
final class TellsOrigin
{
    public function handle(Request $request, Closure $next): Response
    {
        Actor::comesFrom((string) $request->ip());

        /** @var Response */
        return $next($request);
    }
}
