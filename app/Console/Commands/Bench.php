<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Bench\Ground;
use App\Bench\Load;
use App\Content\CatalogueStore;
use App\Content\ItemQuery;
use App\Listing\Listing;
use App\Models\User;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Who\Audience;

/** Measures beside the plainest hand-written alternative, in one run. bin/bench calls it on a database of its own. */
final class Bench extends Command
{
    use SpeaksPlainly;

    protected $signature = 'wellspring:bench {--items=100000 : how many items} {--url= : where the site is served}';

    protected $description = 'Fill a database of the bench’s own and measure listings beside hand-written SQL';

    private const SQL_CANDIDATES = "items.type_key = 'product' and items.status = 'published' and items.publish_at <= now() and (items.expire_at is null or items.expire_at > now()) and items.audience in ('everyone', 'signed-out')";

    private const SQL_LIGHT = "items.fields->>'light' in ('shade', 'half-shade')";

    private const SQL_PRICE = "(items.fields->>'price')::numeric > 5";

    private const SQL_GROUP = "exists (select 1 from item_term where item_term.item_id = items.id and item_term.term_id in (select id from terms where slug = 'perennials' or parent_id = (select id from terms where slug = 'perennials')))";

    public function handle(Ground $ground, Listing $listing): int
    {
        if (! str_ends_with(DB::connection()->getDatabaseName(), '_bench')) {
            $this->error('This fills its database with invented items; run it with bin/bench, which gives it one of its own.');

            return self::FAILURE;
        }
        $items = filter_var($this->option('items'), FILTER_VALIDATE_INT, ['options' => ['min_range' => 1000, 'max_range' => 5_000_000]]);
        if ($items === false) {
            $this->error('--items: expected a whole number from 1000 to 5000000.');

            return self::INVALID;
        }
        $this->line("Filling to {$items} items");
        $ground->fill($items, fn (int $done) => $this->output->write("\r{$done} "));
        $this->newLine();
        $modules = $ground->modules();
        $now = new \DateTimeImmutable;
        $filtered = implode(' and ', [self::SQL_CANDIDATES, self::SQL_LIGHT, self::SQL_PRICE, self::SQL_GROUP]);
        $byPrice = "order by (items.fields->>'price')::numeric asc nulls last, items.title collate wellspring_text, items.id";
        $far = (string) max(1, intdiv($listing->total($modules['filtered'], $now, Audience::SignedOut), 48));
        $offset = ((int) $far - 1) * 24;

        $rows = [];
        $measure = function (string $what, \Closure $ours, string ...$sql) use (&$rows): void {
            $rows[] = $this->compare($what, $ours, function () use ($sql): void {
                foreach ($sql as $one) {
                    DB::select($one);
                }
            });
        };
        $measure(
            'newest first, page 1, with total',
            fn () => $listing->show($modules['newest'], $now, Audience::SignedOut),
            'select count(*) from items where '.self::SQL_CANDIDATES,
            'select id from items where '.self::SQL_CANDIDATES.' order by publish_at desc, id limit 24',
        );
        $measure(
            'three conditions by price, page 1, with total',
            fn () => $listing->show($modules['filtered'], $now, Audience::SignedOut),
            "select count(*) from items where {$filtered}",
            "select id from items where {$filtered} {$byPrice} limit 24",
        );
        $measure(
            "the same, page {$far}",
            fn () => $listing->show($modules['filtered'], $now, Audience::SignedOut, $far),
            "select count(*) from items where {$filtered}",
            "select id from items where {$filtered} {$byPrice} limit 24 offset {$offset}",
        );
        $measure(
            'the same with the count after every step',
            fn () => $listing->run($modules['filtered'], $now, Audience::SignedOut),
            'select count(*), count(*) filter (where '.self::SQL_LIGHT.'), count(*) filter (where '.self::SQL_LIGHT.' and '.self::SQL_PRICE.'), count(*) filter (where '.self::SQL_LIGHT.' and '.self::SQL_PRICE.' and '.self::SQL_GROUP.') from items where '.self::SQL_CANDIDATES,
            "select id from items where {$filtered} {$byPrice} limit 24",
        );
        $this->table(['query', 'Wellspring ms', 'by hand ms', 'ratio'], $rows);

        $rows = [];
        foreach ([
            'last change first' => [[], 'updated_at', false, 'true', 'updated_at desc, id desc'],
            'by title' => [[], 'title', true, 'true', 'title collate wellspring_text asc, id'],
            'quick search' => [['q' => 'plant 4711'], 'title', true, "folded->>'title' like '%plant 4711%'", 'title collate wellspring_text asc, id'],
        ] as $what => [$asked, $sort, $up, $where, $order]) {
            $measure("the manager’s table, {$what}", fn () => $this->tablePage($asked, $sort, $up), "select count(*) from items where type_key = 'product' and {$where}", "select * from items where type_key = 'product' and {$where} order by {$order} limit 50");
        }
        $this->table(['table of items, first page, with total', 'Wellspring ms', 'by hand ms', 'ratio'], $rows);

        $url = $this->given('--url');
        if ($url !== '') {
            $bare = Load::perSecond("{$url}/up", 400);
            $this->table(['page', 'a second', 'of a bare route'], array_map(function (string $path) use ($url, $bare): array {
                $rate = Load::perSecond($url.$path, 120);

                return [$path, number_format($rate, 1), number_format($rate / $bare, 3)];
            }, ['/up', '/bench-newest', '/bench-filtered']));
        }

        return self::SUCCESS;
    }

    /** @param  array<string, mixed>  $asked */
    private function tablePage(array $asked, string $sort, bool $up): void
    {
        $type = app(CatalogueStore::class)->catalogue()->types['product'];
        $items = app(ItemQuery::class);
        $query = $items->find($type, $asked, new User(['name' => 'Bench', 'role' => 'manager']));
        (clone $query)->count();
        $items->order($query, $type, $sort, $up)->forPage(1, 50)->get();
    }

    /**
     * The medians of alternating runs, so that both meet the same machine.
     *
     * @return array{string, string, string, string}
     */
    private function compare(string $what, \Closure $ours, \Closure $byHand): array
    {
        $times = [[], []];
        for ($run = 0; $run < 12; $run++) {
            foreach ([$ours, $byHand] as $i => $work) {
                $from = hrtime(true);
                $work();
                if ($run >= 2) {
                    $times[$i][] = (hrtime(true) - $from) / 1e6;
                }
            }
        }
        [$a, $b] = array_map(function (array $list): float {
            sort($list);

            return $list[intdiv(count($list), 2)];
        }, $times);

        return [$what, number_format($a, 2), number_format($b, 2), number_format($a / $b, 2)];
    }
}
