<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;

/** What the scripts of bin/ say when they are called wrongly; nothing is installed or started for that. */
final class ScriptsTest extends TestCase
{
    public function test_a_wrong_call_gets_a_plain_sentence(): void
    {
        foreach ([
            ['bin/start --again', 'bin/start: expected --empty, --fresh or --yes'],
            ['WELLSPRING_PORT=abc bin/start', 'WELLSPRING_PORT: expected a port number such as 8081, found “abc”.'],
            ['bin/test --suite Unit', '--suite: expected Architecture, Core, Feature, Browser or Firefox.'],
            ['bin/test --fast', 'bin/test knows only --quick and --suite'],
            ['bin/bench --fast', 'bin/bench knows only --items=N and --only=PART.'],
        ] as [$call, $sentence]) {
            [$code, $said] = $this->call($call);
            $this->assertSame(1, $code, $call);
            $this->assertStringContainsString($sentence, $said);
        }
    }

    public function test_a_port_in_use_is_told_with_another(): void
    {
        $server = stream_socket_server('tcp://127.0.0.1:0') ?: self::fail('No port is free.');
        $port = (int) explode(':', (string) stream_socket_get_name($server, false))[1];
        [$code, $said] = $this->call("WELLSPRING_PORT={$port} bin/start");
        fclose($server);
        $this->assertSame(1, $code);
        $this->assertMatchesRegularExpression(
            "/Port {$port} is in use by another program. Choose another: WELLSPRING_PORT=\\d+ bin\\/start/",
            $said,
        );
    }

    /** @return array{int, string} */
    private function call(string $command): array
    {
        exec('cd '.escapeshellarg(dirname(__DIR__, 2))." && {$command} 2>&1", $lines, $code);

        return [$code, implode("\n", $lines)];
    }
}
