<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Database\QueryException;
use Monolog\LogRecord;
use Monolog\Processor\ProcessorInterface;

/**
 * Removes secrets from a log line: the values of a failed query (addresses, hashes, drafts), and the secret in the link
 * of an account.
 */
final class MasksSecrets implements ProcessorInterface
{
    private const LINK = '~(/(?:account|manage)/welcome/)[^\s"\'?&]+~';

    /** The number of stack frames that are kept. Deeper frames belong to the framework. */
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

    /** The failed query, at any depth of the chain of exceptions. */
    private static function query(\Throwable $fault): ?QueryException
    {
        for ($at = $fault; $at !== null; $at = $at->getPrevious()) {
            if ($at instanceof QueryException) {
                return $at;
            }
        }

        return null;
    }

    /** The statement with placeholders, and PostgreSQL's message without its details, which quote values. */
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
