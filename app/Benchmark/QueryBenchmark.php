<?php

declare(strict_types=1);

namespace App\Benchmark;

use App\Catalogue\CatalogueStore;
use App\Listing\Listing;
use App\Listing\Paging\CachedCursors;
use Illuminate\Cache\ArrayStore;
use Illuminate\Cache\Repository;
use Illuminate\Support\Facades\DB;

/** The run of a listing: pages, totals, counts after every rule, searches, far pages. */
final readonly class QueryBenchmark implements Benchmark
{
    /** The page number of the late page. A shorter listing uses its last page. */
    private const FAR = 5000;

    public function __construct(private Listing $listing, private CatalogueStore $catalogue)
    {
    }

    public function measure(BenchmarkSite $site): iterable
    {
        yield new BenchmarkTable(
            ['query', 'Wellspring ms', 'by hand ms', 'ratio'],
            [...$this->rules($site), ...$this->words($site)],
        );
        yield new BenchmarkTable(
            ['walking far, records alone', 'far ms', 'page 1 ms', 'ratio', 'the first visitor who goes so far, ms'],
            array_map(fn (string $key): array => $this->farPage($key, $site), ['newest', 'cheapest', 'filtered']),
        );
    }

    /** @return list<list<string>> */
    private function rules(BenchmarkSite $site): array
    {
        ['shortlist' => $shortlist, 'filtered' => $filtered, 'newest' => $newest] = $site->modules;
        $candidates = HandWrittenSql::CANDIDATES;
        $light = HandWrittenSql::LIGHT;
        $price = HandWrittenSql::PRICE;
        $group = HandWrittenSql::group($this->catalogue, 'perennials');
        $where = "{$candidates} and {$light} and {$price} and {$group}";
        $page = "select id from items where {$where} order by (items.fields->>'price')::numeric asc nulls last, "
            .'left(items.title, 200) collate wellspring_text, items.id limit 24';

        return [
            $this->besideSql(
                'three conditions, by price: the first 24, no more',
                fn () => $this->listing->show($shortlist, $site->context),
                $page,
            ),
            $this->besideSql(
                'the same, page 1 of all, with total',
                fn () => $this->listing->show($filtered, $site->context),
                "select count(*) from items where {$where}",
                $page,
            ),
            $this->besideSql(
                'newest first, page 1, with total',
                fn () => $this->listing->show($newest, $site->context),
                "select count(*) from items where {$candidates}",
                "select id from items where {$candidates} order by publish_at desc, id limit 24",
            ),
            $this->besideSql(
                'the counts after every rule, in one scan, with page 1',
                fn () => $this->listing->run($filtered, $site->context),
                "select count(*), count(*) filter (where {$light}), count(*) filter (where {$light} and {$price}), "
                    ."count(*) filter (where {$light} and {$price} and {$group}) from items where {$candidates}",
                $page,
            ),
        ];
    }

    /**
     * The hand-written query uses PostgreSQL's own weights; for a single field, only the title.
     *
     * @return list<list<string>>
     */
    private function words(BenchmarkSite $site): array
    {
        $rows = [];
        foreach ([
            'search' => ['two words anywhere, best first, with total', "'frost' & 'gold':*"],
            'titled' => ['two words in the title or a term’s name, with total', "'plant':A & '47':*A"],
        ] as $key => [$what, $words]) {
            $query = "to_tsquery('wellspring', '".str_replace("'", "''", $words)."')";
            $found = HandWrittenSql::CANDIDATES." and items.search @@ {$query}";
            $rows[] = $this->besideSql(
                $what,
                fn () => $this->listing->show($site->modules[$key], $site->context),
                "select count(*) from items where {$found}",
                "select id from items where {$found} order by ts_rank(items.search, {$query}) desc, "
                    .'left(items.title, 200) collate wellspring_text, items.id limit 24',
            );
        }

        return $rows;
    }

    /** @return list<string> */
    private function besideSql(string $what, \Closure $ours, string ...$sql): array
    {
        return Stopwatch::compare($what, $ours, fn (): array => array_map(DB::select(...), $sql));
    }

    /** @return list<string> */
    private function farPage(string $key, BenchmarkSite $site): array
    {
        $module = $site->modules[$key];
        $cursors = new CachedCursors(new Repository(new ArrayStore), $key, 0, null);
        $far = min(self::FAR, max(2, intdiv($this->listing->total($module, $site->context), 24)));
        $page = fn (int $number): array => $this->listing
            ->some($module, $site->context, ($number - 1) * 24, 24, $cursors);
        $first = Stopwatch::milliseconds(fn () => $page($far));

        return [
            ...Stopwatch::compare("{$key}: page {$far} beside page 1", fn () => $page($far), fn () => $page(1)),
            number_format($first, 0),
        ];
    }
}
