<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\TestCase;

/** Whatever way a script ends, nothing that it has started stays. */
final class ServicesTest extends TestCase
{
    /** Starts three services, as bin/start does, one of which does not listen to its signal. */
    private const SCRIPT = <<<'BASH'
        set -euo pipefail
        for part in common services; do . "$ROOT/bin/lib/$part.sh"; done
        LAST_REQUESTS=1
        stop() { trap '' INT TERM; trap - EXIT; stop_services; exit 0; }
        trap stop EXIT
        trap stop INT TERM
        for name in one two; do
            run_service "$name" TERM "$VAR/log/$name.log" bash -c 'sleep 1000 & wait' "$MARK"
        done
        run_service deaf TERM "$VAR/log/deaf.log" bash -c 'trap "" TERM; while true; do sleep 1000; done' "$MARK"
        echo started
        while true; do sleep 0.1; done
        BASH;

    public function test_a_script_that_is_stopped_at_any_moment_leaves_no_service_behind(): void
    {
        $var = sys_get_temp_dir().'/wellspring-services-'.bin2hex(random_bytes(6));
        mkdir("{$var}/run", recursive: true);
        mkdir("{$var}/log");
        $mark = 'mark-'.bin2hex(random_bytes(6));
        foreach ([15, 9, 2, 15, 9, 15, 9, 15, 15, 15] as $round => $signal) {
            $process = proc_open(
                ['setsid', 'bash', '-c', self::SCRIPT],
                [['file', '/dev/null', 'r'], ['pipe', 'w'], ['file', '/dev/null', 'w']],
                $pipes,
                null,
                ['ROOT' => dirname(__DIR__, 2), 'VAR' => $var, 'MARK' => $mark] + getenv(),
            );
            $this->assertIsResource($process);
            // Some at once, in the middle of starting; some when all has been started. Like timeout, to the whole group.
            $round % 3 === 0 ? fgets($pipes[1]) : usleep(random_int(0, 60_000));
            posix_kill(-proc_get_status($process)['pid'], $signal);
            proc_close($process);
            $end = microtime(true) + 30;
            while (($left = $this->left($mark)) !== [] && microtime(true) < $end) {
                usleep(50_000);
            }
            $this->assertSame([], $left, "round {$round}, signal {$signal}");
        }
        exec('rm -rf '.escapeshellarg($var));
    }

    /** @return list<string> command lines of services that still run */
    private function left(string $mark): array
    {
        $left = [];
        foreach (glob('/proc/[0-9]*/cmdline') ?: [] as $file) {
            $line = (string) @file_get_contents($file);
            if (str_contains($line, "\0{$mark}\0")) {
                $left[] = str_replace("\0", ' ', $line);
            }
        }

        return $left;
    }
}
