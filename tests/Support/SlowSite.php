<?php

declare(strict_types=1);

namespace Tests\Support;

/** The site of the tests, passed on by a server that holds pictures back; see slow-pictures.php. */
final readonly class SlowSite
{
    /** @param  resource  $server */
    private function __construct(public string $url, private mixed $server)
    {
    }

    public static function start(): self
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \RuntimeException('No port is free.');
        $address = (string) stream_socket_get_name($socket, false);
        fclose($socket);
        $server = proc_open(
            ['setsid', PHP_BINARY, '-S', $address, __DIR__.'/slow-pictures.php'],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
            null,
            ['PHP_CLI_SERVER_WORKERS' => '12'] + getenv(),
        ) ?: throw new \RuntimeException('The server did not start.');
        for ($try = 0; $try < 100 && @file_get_contents("http://{$address}/up") === false; $try++) {
            usleep(50_000);
        }

        return new self("http://{$address}", $server);
    }

    public function stop(): void
    {
        // Its workers are in its group.
        posix_kill(-proc_get_status($this->server)['pid'], SIGTERM);
        proc_close($this->server);
    }
}
