<?php

declare(strict_types=1);

namespace Tests\Faults;

use PHPUnit\Framework\TestCase;
use Tests\Support\WebClient;

/** A long file is brought in while one person saves, one edits many, and visitors come: nobody waits for it. */
final class ImportBesideOthersTest extends TestCase
{
    use ForkedClients;

    /** Seconds that a request may take because of it; WAIT_AT_MOST says more where the machine has other work to do. */
    private const WAIT_AT_MOST = 1.0;

    private const IMPORT_ENDS_WITHIN = 600.0;

    public function test_nobody_waits_for_an_import(): void
    {
        $client = self::manager();
        $table = $client->get('/manage/api/items?type=product')['body'];
        $ids = array_column(json_decode($table, true, 512, JSON_THROW_ON_ERROR)['items'], 'id');
        $this->other('save', function (WebClient $client, int $n) use ($ids): void {
            $item = json_decode($client->get("/manage/api/items/{$ids[0]}")['body'], true, 512, JSON_THROW_ON_ERROR);
            $client->send('PUT', "/manage/api/items/{$ids[0]}", [
                'revision' => $item['revision'], 'values' => ['height' => $n],
            ]);
        });
        $this->other('edit many', fn (WebClient $client, int $n) => $client->send('POST', '/manage/api/items/many', [
            'type' => 'product', 'do' => 'set', 'ids' => array_slice($ids, 1), 'with' => ['values' => ['stock' => $n]],
        ]));
        $this->other('visit', fn (WebClient $client, int $n) => $this->assertSame(
            200,
            (new WebClient((string) getenv('SITE_URL')))->get($n % 2 === 0 ? '/shop' : "/shop?fresh={$n}")['status'],
        ));
        $rows = (int) (getenv('IMPORT_ROWS') ?: 50_000);
        $begun = microtime(true);
        while (count(glob("{$this->notes}/*") ?: []) < count($this->clients)) {
            $this->assertLessThan($begun + 60, microtime(true), 'the others begin');
            usleep(50_000);
        }
        $begun = microtime(true);
        $result = $this->import($client, $rows);
        $seconds = microtime(true) - $begun;
        $this->assertSame([$rows, 0], [$result['result']['created'], $result['result']['bad']]);
        $slowest = [];
        foreach (array_keys($this->clients) as $what) {
            $waits = array_map(floatval(...), $this->noted($what));
            $this->assertGreaterThan(1, count($waits), "{$what}: while the file came in");
            $slowest[$what] = max([0.0, ...$waits]);
        }
        fwrite(STDERR, sprintf(
            '%d rows beside others in %.1f s; they waited at most %s s. ',
            $rows,
            $seconds,
            implode(', ', array_map(fn (float $wait): string => number_format($wait, 2), $slowest)),
        ));
        $most = (float) (getenv('WAIT_AT_MOST') ?: self::WAIT_AT_MOST);
        $this->assertLessThan($most, max([0.0, ...array_values($slowest)]));
    }

    /** @return array<string, mixed> the import when it has ended */
    private function import(WebClient $client, int $rows): array
    {
        $file = "title,height,groups\n";
        for ($n = 1; $n <= $rows; $n++) {
            $file .= "Beside {$n},".($n % 300 + 1).',Beside '.($n % 20)."\n";
        }
        $import = $client->upload('/manage/api/imports', ['type' => 'product'], 'beside.csv', $file);
        $client->send('POST', "/manage/api/imports/{$import['id']}/run", [
            'write' => true, 'options' => ['makeTerms' => true] + $import['options'],
        ]);
        for ($begun = microtime(true); microtime(true) < $begun + self::IMPORT_ENDS_WITHIN; usleep(200_000)) {
            $said = $client->get("/manage/api/imports/{$import['id']}")['body'];
            $import = json_decode($said, true, 512, JSON_THROW_ON_ERROR);
            if ($import['state'] !== 'writing') {
                break;
            }
        }
        $this->assertSame('done', $import['state'], (string) json_encode($import['result']['problems'] ?? []));

        return $import;
    }

    /** @param  \Closure(WebClient, int): mixed  $does  again and again, each time timed */
    private function other(string $what, \Closure $does): void
    {
        $this->client($what, function (\Closure $note) use ($what, $does): void {
            $client = self::manager();
            for ($n = 1; ; $n++, usleep(100_000)) {
                $begun = microtime(true);
                try {
                    $does($client, $n);
                    $note(microtime(true) - $begun);
                } catch (\Throwable $fault) {
                    // What fails is told as having taken for ever.
                    fwrite(STDERR, "{$what}: {$fault->getMessage()}\n");
                    $note(PHP_FLOAT_MAX);
                }
            }
        });
    }
}
