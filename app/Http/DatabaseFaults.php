<?php

declare(strict_types=1);

namespace App\Http;

use App\Tasks\UnderWay;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\LostConnectionDetector;
use Illuminate\Database\QueryException;
use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpKernel\Exception\ServiceUnavailableHttpException;
use Wellspring\Core\Time\Calendar;

/** Turns conflicts that PostgreSQL reports for concurrent writes into answers that a person can act on. */
final class DatabaseFaults
{
    /** @return JsonResponse|null null for any other fault */
    public static function answer(QueryException $fault): ?JsonResponse
    {
        [$status, $code, $message] = match ((string) $fault->getCode()) {
            '23505' => [
                422,
                'taken',
                'Somebody made the same a moment ago. Look at what is there now, or choose another name.',
            ],
            '23503' => [409, 'gone', 'Something that this names was removed a moment ago. Nothing was written.'],
            '55P03' => [
                409,
                'busy',
                'Somebody is changing this now'.UnderWay::words(app(Calendar::class))
                    .'. Nothing was written; try again.',
            ],
            '40P01', '40001' => [
                409,
                'busy',
                'Somebody is changing the same at this moment. Nothing was written; try again.',
            ],
            default => [0, '', ''],
        };

        return $status === 0
            ? null
            : new JsonResponse(
                ['message' => $message, 'problems' => [['path' => '', 'code' => $code, 'message' => $message]]],
                $status,
            );
    }

    /** The error page if the database is unavailable, or if it cancelled a query after its timeout; otherwise null. */
    public static function unavailable(\PDOException $fault): ?ServiceUnavailableHttpException
    {
        return match (true) {
            (string) $fault->getCode() === '57014' => new ServiceUnavailableHttpException(
                30,
                'It takes too long at the moment.',
                $fault,
            ),
            // The server is shutting down, starting up, or not running (PostgreSQL, Appendix A: error codes).
            preg_match('/^(57P0[123]|08...)$/D', (string) ($fault->errorInfo[0] ?? $fault->getCode())) === 1,
            (new LostConnectionDetector)->causedByLostConnection($fault) => new ServiceUnavailableHttpException(
                5,
                'The database is not there at the moment. Try again in a few seconds.',
                $fault,
            ),
            default => null,
        };
    }

    /** @param  ModelNotFoundException<Model>  $none */
    public static function notFound(ModelNotFoundException $none): JsonResponse
    {
        $what = mb_strtolower(trim((string) preg_replace('/(?<!^)[A-Z]/', ' $0', class_basename($none->getModel()))));

        return new JsonResponse(['message' => "There is no such {$what}; it may have been removed."], 404);
    }
}
