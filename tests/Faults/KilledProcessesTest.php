<?php

declare(strict_types=1);

namespace Tests\Faults;

use PDO;
use PHPUnit\Framework\TestCase;
use Tests\Support\WebClient;

/**
 * The site as bin/faults serves it: while people save, publish and import, one process after the other is killed. Each
 * writer is a process, and notes what was acknowledged.
 */
final class KilledProcessesTest extends TestCase
{
    use ForkedClients;

    /** Seconds in which the site must answer again; BACK_WITHIN says more where the machine has other work to do. */
    private const BACK_WITHIN = 10.0;

    /** Seconds in which long work must have ended, once nothing is killed any more. */
    private const WORK_ENDS_WITHIN = 60.0;

    private const IMPORTED_ROWS = 300;

    public function test_nothing_acknowledged_is_lost_and_the_site_is_back_by_itself(): void
    {
        $slugs = explode(' ', (string) self::value(
            "select string_agg(slug, ' ') from (select slug from items where type_key = ? order by id limit 3) as few",
            'product',
        ));
        foreach ($slugs as $slug) {
            $this->writer("save {$slug}", $this->saves(...), $slug);
        }
        $this->writer('publish', $this->publishes(...), 'plants');
        $this->writer('import', $this->imports(...), 'product');
        mt_srand($seed = (int) (getenv('SEED') ?: random_int(1, 1_000_000)));
        $slowest = 0.0;
        for ($round = 1; $round <= (int) (getenv('ROUNDS') ?: 10); $round++) {
            usleep(mt_rand(300_000, 1_500_000));
            $what = ['worker', 'worker', 'php-fpm', 'nginx', 'queue', 'backend', 'postgres'][mt_rand(0, 6)];
            $this->kill($what);
            $seconds = $this->untilBack();
            $limit = (float) (getenv('BACK_WITHIN') ?: self::BACK_WITHIN);
            $this->assertLessThan($limit, $seconds, "SEED={$seed}, round {$round}: {$what} was killed");
            $slowest = max($slowest, $seconds);
        }
        $this->stopClients();
        $this->untilWorkEnded();
        $acknowledged = $this->assertNothingLost($slugs);
        fwrite(STDERR, sprintf('%d acknowledged writes; back after %.1f s at most. ', $acknowledged, $slowest));
    }

    /** @param  list<string>  $slugs */
    private function assertNothingLost(array $slugs): int
    {
        $count = 0;
        foreach ($slugs as $slug) {
            $notes = array_map(intval(...), $this->noted("save {$slug}"));
            $height = (int) self::value(
                "select fields->>'height' from items where type_key = 'product' and slug = ?",
                $slug,
            );
            // What was under way when its process was killed may have been written without being acknowledged.
            $this->assertContains($height - max([0, ...$notes]), [0, 1], "{$slug} is as its last acknowledged save");
            $this->assertGreaterThan(0, count($notes));
            $count += count($notes);
        }
        $published = array_map(intval(...), $this->noted('publish'));
        $live = self::value("select live->>'name' from modules where key = ?", 'plants');
        $this->assertContains((int) substr((string) $live, 7) - max([0, ...$published]), [0, 1]);
        $imported = array_map(intval(...), $this->noted('import'));
        foreach (range(1, max([1, ...$imported]) + 1) as $n) {
            $rows = (int) self::value('select count(*) from items where slug like ?', "import-{$n}-%");
            $this->assertContains($rows, [self::IMPORTED_ROWS, ...in_array($n, $imported, true) ? [] : [0]]);
        }
        $this->assertSame(0, (int) self::value(
            'select count(*) from items where slug like ? and not exists (select 1 from item_revisions where '
                .'item_id = items.id)',
            'import-%',
        ), 'every item has its revision');

        return $count + count($published) + count($imported);
    }

    /** One item, again and again. */
    private function saves(WebClient $client, string $slug, \Closure $note): void
    {
        $find = "select id from items where type_key = 'product' and slug = ?";
        $id = (int) $this->retried(fn (): ?string => self::value($find, $slug));
        for ($n = 1; ; $n++) {
            $this->retried(function () use ($client, $id, $n): void {
                $item = json_decode($client->get("/manage/api/items/{$id}")['body'], true, 512, JSON_THROW_ON_ERROR);
                $client->send('PUT', "/manage/api/items/{$id}", [
                    'revision' => $item['revision'], 'values' => ['height' => $n],
                ]);
            });
            $note($n);
            usleep(50_000);
        }
    }

    /** A module's draft, and then what visitors get. */
    private function publishes(WebClient $client, string $key, \Closure $note): void
    {
        for ($n = 1; ; $n++) {
            $this->retried(function () use ($client, $key, $n): void {
                $address = "/manage/api/modules/{$key}";
                $module = json_decode($client->get($address)['body'], true, 512, JSON_THROW_ON_ERROR);
                $client->send('PUT', "{$address}/draft", [
                    'revision' => $module['revision'],
                    'definition' => ['name' => "Plants {$n}"] + $module['definition'],
                ]);
                $client->send('POST', "{$address}/publish", []);
            });
            $note($n);
            usleep(100_000);
        }
    }

    /** One file after another. */
    private function imports(WebClient $client, string $type, \Closure $note): void
    {
        for ($n = 1; ; $n++) {
            $rows = implode('', array_map(
                fn (int $row): string => "import-{$n}-{$row},Imported {$n} {$row}\n",
                range(1, self::IMPORTED_ROWS),
            ));
            $state = 'failed';
            // Where it was not begun, or came to nothing, once more; where it was written, it is not written twice.
            for ($try = 1; $state !== 'done'; $try++) {
                $this->retried(function () use ($client, $type, $rows, &$state): void {
                    $file = "slug,title\n{$rows}";
                    $import = $client->upload('/manage/api/imports', ['type' => $type], 'plants.csv', $file);
                    $client->send('POST', "/manage/api/imports/{$import['id']}/run", [
                        'write' => true, 'options' => ['mode' => 'both'] + $import['options'],
                    ]);
                    do {
                        usleep(200_000);
                        $this->retried(function () use ($client, $import, &$state): void {
                            $said = $client->get("/manage/api/imports/{$import['id']}");
                            $state = json_decode($said['body'], true, 512, JSON_THROW_ON_ERROR)['state'];
                        });
                    } while ($state === 'writing');
                });
            }
            $note($n);
        }
    }

    /**
     * Does it until it is acknowledged.
     *
     * @template T
     *
     * @param  \Closure(): T  $do
     * @return T
     */
    private function retried(\Closure $do): mixed
    {
        while (true) {
            try {
                return $do();
            } catch (\Throwable) {
                usleep(100_000);
            }
        }
    }

    /** @param  \Closure(WebClient, string, \Closure(int): void): void  $does */
    private function writer(string $name, \Closure $does, string $on): void
    {
        $this->client($name, fn (\Closure $note) => $does($this->retried(self::manager(...)), $on, $note));
    }

    private function kill(string $what): void
    {
        $of = fn (string $service): int => (int) file_get_contents(getenv('SERVICES')."/faults-{$service}.pid");
        $process = match ($what) {
            'worker' => self::child($of('php-fpm')),
            'backend' => (int) self::value(
                'select pid from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid() '
                    ."and backend_type = 'client backend' order by random() limit ?",
                '1',
            ),
            'postgres' => (int) (file((string) getenv('PG_PID_FILE')) ?: ['0'])[0],
            default => $of($what),
        };
        $process > 1 && posix_kill($process, SIGKILL);
    }

    private static function child(int $parent): int
    {
        $children = explode("\n", trim((string) shell_exec("ps -o pid= --ppid {$parent}")));

        return (int) trim($children[mt_rand(0, count($children) - 1)]);
    }

    /** @return float seconds until a visitor and a manager are answered again */
    private function untilBack(): float
    {
        $begun = microtime(true);
        foreach (['/shop', '/shop?fresh='.mt_rand(), '/manage/api/token'] as $address) {
            do {
                usleep(20_000);
                try {
                    $status = (new WebClient((string) getenv('SITE_URL')))->get($address)['status'];
                } catch (\Throwable) {
                    $status = 0;
                }
            } while ($status !== 200 && microtime(true) < $begun + 3 * self::BACK_WITHIN);
        }

        return microtime(true) - $begun;
    }

    private function untilWorkEnded(): void
    {
        $begun = microtime(true);
        $open = fn (): int => (int) self::value(
            "select count(*) from imports where state in ('checking', 'writing') and id > ?",
            '0',
        );
        while ($open() > 0) {
            $this->assertLessThan($begun + self::WORK_ENDS_WITHIN, microtime(true), 'an import stays under way');
            usleep(200_000);
        }
    }

    private static function database(): PDO
    {
        return new PDO(sprintf(
            'pgsql:host=127.0.0.1;port=%s;dbname=%s;user=%s;password=%s',
            getenv('DB_PORT'),
            getenv('DB_DATABASE'),
            getenv('DB_USERNAME'),
            getenv('DB_PASSWORD'),
        ));
    }

    private static function value(string $sql, string $with): ?string
    {
        $query = self::database()->prepare($sql);
        $query->execute([$with]);
        $value = $query->fetchColumn();

        return is_scalar($value) ? (string) $value : null;
    }
}
