<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\TestCase;

/** The scripts of bin/ leave no process behind, and accept the pinned packages alone. */
final class ServicesTest extends TestCase
{
    /** Starts three services, as bin/start does; the third ignores its signal. */
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
        foreach ([15, 9, 2, 15, 15, 9] as $round => $signal) {
            $process = proc_open(
                ['setsid', 'bash', '-c', self::SCRIPT],
                [['file', '/dev/null', 'r'], ['pipe', 'w'], ['file', '/dev/null', 'w']],
                $pipes,
                null,
                ['ROOT' => dirname(__DIR__, 2), 'VAR' => $var, 'MARK' => $mark] + getenv(),
            );
            $this->assertIsResource($process);
            // Some while they start, some when all have started. The whole group gets it, as by timeout(1).
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

    public function test_a_package_that_is_not_the_pinned_one_is_named(): void
    {
        $root = sys_get_temp_dir().'/wellspring-pins-'.bin2hex(random_bytes(6));
        foreach (['bin/lib', 'vendor/composer', 'vendor/a/b/src', 'vendor/a/c'] as $folder) {
            mkdir("{$root}/{$folder}", recursive: true);
        }
        copy(dirname(__DIR__, 2).'/bin/lib/pins.php', "{$root}/bin/lib/pins.php");
        $install = fn (array $versions) => file_put_contents("{$root}/vendor/composer/installed.json", json_encode([
            'packages' => array_map(fn (string $name): array => [
                'name' => $name, 'version' => $versions[$name], 'install-path' => "../{$name}",
                'dist' => ['type' => 'zip'],
            ], array_keys($versions)),
        ]));
        $do = function (string $mode) use ($root): array {
            exec('php '.escapeshellarg("{$root}/bin/lib/pins.php")." {$mode} 2>&1", $lines, $code);

            return [$code, implode("\n", $lines)];
        };
        file_put_contents("{$root}/vendor/a/b/src/code.php", 'one');
        $install(['a/b' => '1.0.0']);
        $this->assertSame(0, $do('write')[0]);
        $this->assertSame([0, ''], $do('check'));
        $this->assertSame([0, '--with=a/b:1.0.0'], $do('with'));
        file_put_contents("{$root}/vendor/a/b/src/code.php", 'two');
        $this->assertSame([1, 'a/b 1.0.0: its files are not those that were pinned.'], $do('check'));
        $install(['a/b' => '1.0.1', 'a/c' => '2.0.0']);
        $this->assertSame([1, "a/b: expected version 1.0.0, found 1.0.1.\na/c 2.0.0 is installed and not pinned."], $do(
            'check',
        ));
        $install([]);
        $this->assertSame([1, 'a/b is pinned at 1.0.0 and not installed.'], $do('check'));
        exec('rm -rf '.escapeshellarg($root));
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
