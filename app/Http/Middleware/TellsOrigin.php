<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Audit\Actor;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Says where the request comes from, for the audit trail; jobs that it queues know it too. */
final class TellsOrigin
{
    public function handle(Request $request, Closure $next): Response
    {
        Actor::comesFrom((string) $request->ip());

        /** @var Response */
        return $next($request);
    }
}
