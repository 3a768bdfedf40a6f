<?php

declare(strict_types=1);

namespace Tests\Faults;

use Tests\Support\WebClient;

/** People who use the site at the same time, each a process of their own that notes what came of it. */
trait ForkedClients
{
    /** @var array<string, int> process ids, by name */
    private array $clients = [];

    private string $notes;

    protected function setUp(): void
    {
        $this->notes = sys_get_temp_dir().'/wellspring-faults-'.bin2hex(random_bytes(6));
        mkdir($this->notes);
    }

    protected function tearDown(): void
    {
        $this->stopClients();
        array_map(unlink(...), glob("{$this->notes}/*") ?: []);
        rmdir($this->notes);
    }

    /** @param  \Closure(\Closure(int|float): void): void  $does  told how to note a line; for as long as it is let */
    private function client(string $name, \Closure $does): void
    {
        $process = pcntl_fork();
        if ($process !== 0) {
            $this->clients[$name] = $process;

            return;
        }
        try {
            $does(function (int|float $line) use ($name): void {
                file_put_contents("{$this->notes}/{$name}", "{$line}\n", FILE_APPEND);
            });
        } catch (\Throwable $fault) {
            fwrite(STDERR, "{$name}: {$fault->getMessage()}\n");
        }
        // The test itself is gone on with by the process that began it, alone.
        posix_kill(posix_getpid(), SIGKILL);
    }

    private function stopClients(): void
    {
        foreach ($this->clients as $process) {
            posix_kill($process, SIGKILL);
            pcntl_waitpid($process, $status);
        }
        $this->clients = [];
    }

    /** @return list<string> lines */
    private function noted(string $name): array
    {
        $file = "{$this->notes}/{$name}";

        return is_file($file) ? file($file, FILE_IGNORE_NEW_LINES) ?: [] : [];
    }

    private static function manager(): WebClient
    {
        $client = new WebClient((string) getenv('SITE_URL'));
        $client->signIn((string) getenv('EMAIL'), (string) getenv('PASSWORD'));

        return $client;
    }
}
