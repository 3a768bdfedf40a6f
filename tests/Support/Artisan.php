<?php

declare(strict_types=1);

namespace Tests\Support;

/** Publishes definitions by the command line, on the site that the environment names. */
final class Artisan
{
    /**
     * @param  'modules'|'pages'  $what
     * @param  array<string, mixed>  $definition  without its format
     *
     * @throws \RuntimeException with what the command says, where it is refused
     */
    public static function apply(string $what, array $definition): void
    {
        $process = proc_open(
            [PHP_BINARY, 'artisan', "wellspring:{$what}:apply", '-', '--publish'],
            [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']],
            $pipes,
            dirname(__DIR__, 2),
        ) ?: throw new \RuntimeException('The command could not be started.');
        fwrite($pipes[0], json_encode(['format' => 1] + $definition, JSON_THROW_ON_ERROR));
        fclose($pipes[0]);
        $said = stream_get_contents($pipes[1]).stream_get_contents($pipes[2]);
        if (proc_close($process) !== 0) {
            throw new \RuntimeException($said);
        }
    }
}
