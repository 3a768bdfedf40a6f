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
        // In the last round the guard starts late, as on a busy machine, and the signal comes before it.
        mkdir("{$var}/slow");
        file_put_contents("{$var}/slow/setsid", <<<'BASH'
            #!/bin/sh
            case "$*" in *guard.sh*) sleep 0.6;; esac
            exec /usr/bin/setsid "$@"
            BASH);
        chmod("{$var}/slow/setsid", 0755);
        foreach ([15, 9, 2, 15, 15, 9, 9] as $round => $signal) {
            $isSlow = $round === 6;
            $process = proc_open(
                ['setsid', 'bash', '-c', self::SCRIPT],
                [['file', '/dev/null', 'r'], ['pipe', 'w'], ['file', '/dev/null', 'w']],
                $pipes,
                null,
                ['ROOT' => dirname(__DIR__, 2), 'VAR' => $var, 'MARK' => $mark,
                    'PATH' => ($isSlow ? "{$var}/slow:" : '').getenv('PATH')] + getenv(),
            );
            $this->assertIsResource($process);
            // Some while they start, some when all have started. The whole group gets it, as by timeout(1).
            match (true) {
                $isSlow => usleep(400_000),
                $round % 3 === 0 => fgets($pipes[1]),
                default => usleep(random_int(0, 60_000)),
            };
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

    /** In a copy of the project, with a database and a port of its own. The second start keeps the site as it is. */
    public function test_an_empty_site_begins_without_the_demo_and_says_how_its_first_manager_is_made(): void
    {
        $root = dirname(__DIR__, 2);
        $common = "ROOT='{$root}'; . '{$root}/bin/lib/common.sh'";
        $var = self::said("{$common}; choose_places > /dev/null; printf %s \"\$VAR\"");
        $copy = "{$var}/empty-".bin2hex(random_bytes(4));
        // The users of the web server and of the database enter the copy.
        $umask = umask(0022);
        mkdir($copy);
        try {
            self::said(<<<BASH
                cd '{$root}'
                for part in app artisan bin compat composer.* config core database docs lang node_modules \
                    package*.json public resources routes tests vendor vite.config.ts tsconfig.json; do
                    [ ! -e "\$part" ] || cp -al "\$part" '{$copy}/'
                done
                mkdir -p '{$copy}'/bootstrap/cache '{$copy}'/storage/{app,logs} \
                    '{$copy}'/storage/framework/{cache,sessions,views} '{$copy}/var'
                cp bootstrap/*.php '{$copy}/bootstrap/'
                cp -a '{$var}/stamps' '{$copy}/var/'
                BASH);
            $port = (int) self::said("{$common}; free_port 8300");
            foreach (['--empty', ''] as $option) {
                [$output, $manager] = $this->startedIn($copy, $port, $option, function () use ($copy, $port): string {
                    // There is no page yet.
                    $anyway = stream_context_create(['http' => ['ignore_errors' => true]]);
                    $page = (string) file_get_contents("http://127.0.0.1:{$port}/", context: $anyway);
                    $this->assertStringContainsString('<title>Not found · My site</title>', $page);
                    $this->assertStringNotContainsString('Quillmoor', $page);

                    return self::said("cd '{$copy}'; php artisan wellspring:manager me@example.org 2>&1", clean: true);
                });
                $this->assertStringContainsString("Manage it       http://127.0.0.1:{$port}/manage", $output);
                $this->assertStringNotContainsString('marigold', $output);
                $option === ''
                    ? $this->assertStringNotContainsString('Nobody manages it yet', $output)
                    : $this->assertStringContainsString('Nobody manages it yet', $output);
                $this->assertStringContainsString("http://127.0.0.1:{$port}/manage/welcome/", $manager);
            }
        } finally {
            umask($umask);
            exec('rm -rf '.escapeshellarg($copy));
        }
    }

    /**
     * Starts the site of a copy, does something while it is served, and stops it.
     *
     * @param  \Closure(): string  $do
     * @return array{string, string} what bin/start said, and what was done
     */
    private function startedIn(string $copy, int $port, string $option, \Closure $do): array
    {
        $log = "{$copy}/start.log";
        $process = proc_open(
            ['setsid', 'bash', 'bin/start', ...array_filter([$option])],
            [['file', '/dev/null', 'r'], ['file', $log, 'w'], ['file', $log, 'a']],
            $pipes,
            $copy,
            ['WELLSPRING_PORT' => (string) $port] + self::cleanEnvironment(),
        );
        $this->assertIsResource($process);
        try {
            $end = microtime(true) + 120;
            while (! str_contains((string) file_get_contents($log), 'Ctrl-C stops') && microtime(true) < $end) {
                $this->assertTrue(proc_get_status($process)['running'], (string) file_get_contents($log));
                usleep(100_000);
            }

            return [(string) file_get_contents($log), $do()];
        } finally {
            posix_kill(proc_get_status($process)['pid'], SIGTERM);
            proc_close($process);
        }
    }

    /** @return array<string, string> without what bin/test has set for its own database */
    private static function cleanEnvironment(): array
    {
        return array_intersect_key(getenv(), ['PATH' => 0, 'HOME' => 0, 'LANG' => 0]);
    }

    private static function said(string $script, bool $clean = false): string
    {
        $process = proc_open(
            ['bash', '-euc', $script],
            [['file', '/dev/null', 'r'], ['pipe', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
            null,
            $clean ? self::cleanEnvironment() : null,
        );
        $said = (string) stream_get_contents($pipes[1]);
        proc_close(is_resource($process) ? $process : throw new \RuntimeException('bash cannot be started.'));

        return $said;
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
