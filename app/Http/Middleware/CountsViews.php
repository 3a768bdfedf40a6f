<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Views\ViewCounter;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Counts the view of an item's page after the page has been sent, so that nobody waits for it. */
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
        if (is_int($item) && $response->getStatusCode() === 200) {
            $this->seen->note($item, $request);
        }
    }
}
