<?php

declare(strict_types=1);

namespace App\Http;

use App\Audit\Actor;
use Illuminate\Support\Facades\Route;
use Monolog\LogRecord;
use Monolog\Processor\ProcessorInterface;

/**
 * Adds the request to each log line: `request` (the id from nginx, also in its access log), `person` (the id of the
 * signed-in person), `route` or the command, `ms` since the start, and the number of `queries`.
 */
final class RequestFacts implements ProcessorInterface
{
    private static int $queries = 0;

    /** Called for every query. */
    public static function countQuery(): void
    {
        self::$queries++;
    }

    public function __invoke(LogRecord $record): LogRecord
    {
        $id = request()->server('REQUEST_ID');
        $route = Route::current();
        $record->extra += array_filter([
            'request' => is_string($id) ? $id : null,
            'person' => Actor::user()?->id,
            'route' => $route !== null
                ? request()->method()." /{$route->uri()}"
                : implode(' ', array_slice((array) ($_SERVER['argv'] ?? []), 0, 2)),
            'ms' => defined('LARAVEL_START') ? (int) round((microtime(true) - LARAVEL_START) * 1000) : null,
            'queries' => self::$queries,
        ], fn (mixed $value): bool => $value !== null);

        return $record;
    }
}
