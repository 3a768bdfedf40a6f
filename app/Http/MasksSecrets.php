<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Database\QueryException;
use Monolog\LogRecord;
use Monolog\Processor\ProcessorInterface;

/**
 * Takes secrets out of a line of the log: the values of a query that failed (addresses, hashes, drafts), and the secret
 * of a link that opens an account.
 */
final class MasksSecrets implements ProcessorInterface
{
    private const LINK = '~(/(?:account|manage)/welcome/)[^\s"\'?&]+~';

    /** Frames of a trace that are kept: deeper ones belong to the framework. */
    private const FRAMES = 40;

    public function __invoke(LogRecord $record): LogRecord
    {
        $fault = $record->context['exception'] ?? null;
        if (! $fault instanceof \Throwable || self::query($fault) === null) {
            return $record->with(message: self::masked($record->message));
        }

        return $record->with(
            message: self::message($fault),
            context: ['exception' => [
                'class' => $fault::class,
                'message' => self::message($fault),
                'code' => $fault->getCode(),
                'file' => "{$fault->getFile()}:{$fault->getLine()}",
                'trace' => array_map(
                    fn (array $frame): string => ($frame['file'] ?? 'internal').':'.($frame['line'] ?? 0),
                    array_slice($fault->getTrace(), 0, self::FRAMES),
                ),
            ]] + $record->context,
        );
    }

    /** The query that failed, at whichever depth. */
    private static function query(\Throwable $fault): ?QueryException
    {
        for ($at = $fault; $at !== null; $at = $at->getPrevious()) {
            if ($at instanceof QueryException) {
                return $at;
            }
        }

        return null;
    }

    /** The statement with its places for values, and PostgreSQL's message without its details, which quote values. */
    private static function message(\Throwable $fault): string
    {
        $query = self::query($fault);
        if ($query === null) {
            return self::masked($fault->getMessage());
        }
        $said = strtok((string) $query->getPrevious()?->getMessage(), "\n");

        return preg_replace('/"[^"]{40,}"|: "[^"]*"$/', '"…"', (string) $said)." (SQL: {$query->getSql()})";
    }

    private static function masked(string $text): string
    {
        return (string) preg_replace(self::LINK, '$1…', $text);
    }
}
