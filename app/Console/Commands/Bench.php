<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Bench\BenchmarkSeeder;
use App\Bench\ImportBenchmark;
use App\Bench\LoadTest;
use App\Catalogue\CatalogueStore;
use App\Console\ReportsProblems;
use App\Content\ItemQuery;
use App\Http\Controllers\Manage\PageController;
use App\Listing\CachedCursors;
use App\Listing\ContextFactory;
use App\Listing\FacetCounter;
use App\Listing\Indexes;
use App\Listing\Listing;
use App\Listing\Options;
use App\Listing\RecordFinder;
use App\Listing\Tracer;
use App\Models\Item;
use App\Models\User;
use App\Pages\PageStore;
use App\Pages\PlacementGrid;
use App\Site\AddressAnswers;
use App\Site\FoundPage;
use App\Site\ListingPreview;
use App\Site\ListingResult;
use App\Site\Listings;
use App\Site\Output\Outputs;
use App\Site\PageAddress;
use App\Site\SitePages;
use App\Site\Subject;
use Illuminate\Cache\ArrayStore;
use Illuminate\Cache\Repository;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Context\Choices;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Paging\PagingRule;

/** Measures beside the plainest hand-written alternative, in one run. bin/bench calls it on a database of its own. */
final class Bench extends Command
{
    use ReportsProblems;

    protected $signature = 'wellspring:bench {--items=100000 : how many items} {--url= : where the site is served}';

    protected $description = 'Fill a database of the bench’s own and measure listings beside hand-written SQL';

    private const SQL_CANDIDATES = "items.type_key = 'product' and items.status = 'published' and items.publish_at <= "
        .'now() and (items.expire_at is null or items.expire_at > now()) and items.audience && '
        ."array['everyone', 'signed-out']";

    private const SQL_LIGHT = "items.fields->>'light' in ('shade', 'half-shade')";

    private const SQL_PRICE = "(items.fields->>'price')::numeric > 5";

    /** With the terms' ids written out, as whoever knows the database would. */
    private const SQL_GROUP = 'exists (select 1 from item_term where item_term.item_id = items.id and '
        .'item_term.term_id = any(\'{%s}\'))';

    public function handle(
        BenchmarkSeeder $seeder,
        Listing $listing,
        ContextFactory $contexts,
        Indexes $indexes,
        SitePages $sitePages,
        Options $options,
        Tracer $tracer,
        RecordFinder $finder,
        Listings $listings,
        Outputs $outputs,
    ): int {
        if (! str_ends_with(DB::connection()->getDatabaseName(), '_bench')) {
            $this->error(
                'This fills its database with invented items; run it with bin/bench, which gives it one of its own.',
            );

            return self::FAILURE;
        }
        $items = filter_var(
            $this->option('items'),
            FILTER_VALIDATE_INT,
            ['options' => ['min_range' => 1000, 'max_range' => 5_000_000]],
        );
        if ($items === false) {
            $this->error('--items: expected a whole number from 1000 to 5000000.');

            return self::INVALID;
        }
        $this->line("Filling to {$items} items");
        $seeder->fill($items, fn (int $done) => $this->output->write("\r{$done} "));
        $this->newLine();
        $modules = $seeder->modules();
        foreach ($indexes->keep(array_values($modules))['made'] as $made) {
            $this->line("Made the index {$made}");
        }
        $context = $contexts->now();
        $groups = app(CatalogueStore::class)->catalogue()->taxonomies['groups']->terms->withBelow('perennials');
        $group = sprintf(self::SQL_GROUP, implode(',', app(CatalogueStore::class)->termIds('groups', $groups)));
        $filtered = implode(' and ', [self::SQL_CANDIDATES, self::SQL_LIGHT, self::SQL_PRICE, $group]);
        $all = self::SQL_CANDIDATES;
        $byPrice = "order by (items.fields->>'price')::numeric asc nulls last, items.title collate wellspring_text, "
            .'items.id';
        $rows = [];
        $measure = function (string $what, \Closure $ours, string ...$sql) use (&$rows): void {
            $rows[] = $this->compare($what, $ours, function () use ($sql): void {
                foreach ($sql as $one) {
                    DB::select($one);
                }
            });
        };
        $measure(
            'three conditions, by price: the first 24, no more',
            fn () => $listing->show($modules['shortlist'], $context),
            "select id from items where {$filtered} {$byPrice} limit 24",
        );
        $measure(
            'the same, page 1 of all, with total',
            fn () => $listing->show($modules['filtered'], $context),
            "select count(*) from items where {$filtered}",
            "select id from items where {$filtered} {$byPrice} limit 24",
        );
        $measure(
            'newest first, page 1, with total',
            fn () => $listing->show($modules['newest'], $context),
            "select count(*) from items where {$all}",
            "select id from items where {$all} order by publish_at desc, id limit 24",
        );
        $measure(
            'the counts after every rule, in one scan, with page 1',
            fn () => $listing->run($modules['filtered'], $context),
            'select count(*), count(*) filter (where '.self::SQL_LIGHT.'), count(*) filter (where '.self::SQL_LIGHT
                .' and '.self::SQL_PRICE.'), count(*) filter (where '.self::SQL_LIGHT.' and '.self::SQL_PRICE
                    ." and {$group}) from items where {$all}",
            "select id from items where {$filtered} {$byPrice} limit 24",
        );
        // By hand with the weights that the database itself offers, and where one is named, in the title alone.
        foreach ([
            'search' => ['two words anywhere, best first, with total', "'frost' & 'gold':*"],
            'titled' => ['two words in the title or a term’s name, with total', "'plant':A & '47':*A"],
        ] as $key => [$what, $words]) {
            $found = self::SQL_CANDIDATES." and items.search @@ to_tsquery('wellspring', '"
                .str_replace("'", "''", $words)."')";
            $measure(
                $what,
                fn () => $listing->show($modules[$key], $context),
                "select count(*) from items where {$found}",
                "select id from items where {$found} order by ts_rank(items.search, to_tsquery('wellspring', '"
                    .str_replace("'", "''", $words)."')) desc, items.title collate wellspring_text, items.id limit 24",
            );
        }
        $this->table(['query', 'Wellspring ms', 'by hand ms', 'ratio'], $rows);

        $rows = [];
        foreach (['newest', 'cheapest', 'filtered'] as $key) {
            $cursors = new CachedCursors(new Repository(new ArrayStore), $key, 0, null);
            $far = min(5000, max(2, intdiv($listing->total($modules[$key], $context), 24)));
            $from = hrtime(true);
            $listing->some($modules[$key], $context, ($far - 1) * 24, 24, $cursors);
            $laid = (hrtime(true) - $from) / 1e6;
            $one = $this->compare(
                "{$key}: page {$far} beside page 1",
                fn () => $listing->some($modules[$key], $context, ($far - 1) * 24, 24, $cursors),
                fn () => $listing->some($modules[$key], $context, 0, 24, $cursors),
            );
            $rows[] = [...$one, number_format($laid, 0)];
        }
        $this->table(
            ['walking far, records alone', 'far ms', 'page 1 ms', 'ratio', 'the first visitor who goes so far, ms'],
            $rows,
        );

        $this->choices($modules['choices'], $context);
        $of48 = $modules['filtered']->paged(new PagingRule(48));
        $feed = fn (): ListingResult => $listings->of(
            $of48,
            new PageAddress('/'),
            $context,
            $listing->show($of48, $context),
            [],
        );
        $fed = $feed();
        $this->table(['cards', 'rendering ms', 'run ms', 'ratio'], [$this->compare(
            'a page of 48, beside the run that feeds it',
            fn () => $outputs->find('html')->write($fed),
            $feed,
        )]);

        $rows = [];
        foreach (['newest', 'filtered'] as $key) {
            $rows[] = [$key, $this->median(function () use ($listing, $sitePages, $modules, $key, $context): void {
                $run = $listing->runWithGaps($modules[$key], $context, '1');
                $address = new PageAddress('/');
                $stored = PageStore::plain('Bench', '', $key);
                $preview = new ListingPreview($modules[$key], $run->result);
                $found = new FoundPage($stored, Subject::ofPage($stored->definition));
                view('site.page', [
                    'result' => $sitePages->page($found, $address, $context, [], preview: $preview),
                ])->render();
            })];
        }
        $this->table(['the bench’s answer to an edit: counts, gaps, page', 'ms'], $rows);

        $type = $modules['filtered']->type();
        $item = fn (mixed $id): Item => Item::query()->where('id', $id)->firstOrFail();
        $dropped = $item(
            Item::query()
                ->where('type_key', 'product')
                ->whereRaw("not (fields->>'light' in ('shade', 'half-shade'))")
                ->max('id'),
        );
        $shown = $item(
            ($listing->some($modules['filtered'], $context, 20_000, 1)[0]
                ?? $listing->some($modules['filtered'], $context, 0, 1)[0]
                ?? null)->id ?? $dropped->id,
        );
        $this->table(
            ['what else the bench asks', 'ms'],
            array_map(fn (string $what, \Closure $ask): array => [$what, $this->median($ask)], array_keys($asked = [
                'counts beside the terms of a condition' => fn () => $options->of(
                    $modules['filtered'],
                    $type->reachable['groups'],
                    'where.all[0]',
                    $context,
                ),
                'counts beside choices' => fn () => $options->of(
                    $modules['filtered'],
                    $type->reachable['light'],
                    'where.all[1]',
                    $context,
                ),
                'how a number lies' => fn () => $options->of(
                    $modules['filtered'],
                    $type->reachable['price'],
                    'where.all[1]',
                    $context,
                ),
                'why a record shows, and where' => fn () => $tracer
                    ->item($modules['filtered'], $shown, $context),
                'why one does not, and where it would' => fn () => $tracer
                    ->item($modules['filtered'], $dropped, $context),
                'a record by a part of its title' => fn () => $finder
                    ->find($modules['filtered'], 'plant 4711', $context),
            ]), $asked),
        );

        $rows = [];
        foreach ([
            'last change first' => [[], 'updated_at', false, 'true', 'updated_at desc, id desc'],
            'by title' => [[], 'title', true, 'true', 'title collate wellspring_text asc, id'],
            'quick search' => [
                ['q' => 'plant 4711'],
                'title',
                true,
                "folded->>'title' like '%plant 4711%'",
                'title collate wellspring_text asc, id',
            ],
        ] as $what => [$asked, $sort, $up, $where, $order]) {
            $measure(
                "the manager’s table, {$what}",
                fn () => $this->tablePage($asked, $sort, $up),
                "select count(*) from items where type_key = 'product' and {$where}",
                "select * from items where type_key = 'product' and {$where} order by {$order} limit 50",
            );
        }
        $this->table(['table of items, first page, with total', 'Wellspring ms', 'by hand ms', 'ratio'], $rows);

        $imports = app(ImportBenchmark::class)->measure();
        $this->table(
            ['a file of '.number_format(ImportBenchmark::ROWS).' rows with terms', 's', 'plain COPY s', 'MB at most'],
            array_map(fn (string $what, string $key): array => [
                $what,
                number_format($imports[$key], 1),
                number_format($imports['copied'], 1),
                $imports['memory'],
            ], ['checked, then made as one change', 'checked, then changed as one'], ['made', 'changed']),
        );

        $this->manyPages($seeder);
        $url = $this->given('--url');
        if ($url !== '') {
            $this->pages($url, $seeder->picture());
        }

        return self::SUCCESS;
    }

    /** The counts of five filters, beside one hand-written grouped query for the same. */
    private function choices(Module $module, Context $context): void
    {
        $counter = app(FacetCounter::class);
        $candidates = self::SQL_CANDIDATES;
        $rows = [];
        foreach ([
            'nothing chosen' => [[], 'true', 'true'],
            'two chosen' => [
                ['choices-light' => 'half-shade,shade', 'choices-price' => '5..20'],
                self::SQL_LIGHT,
                "(items.fields->>'price')::numeric between 5 and 20",
            ],
        ] as $what => [$chosen, $light, $price]) {
            $chosen = $context->with(choices: Choices::fromAddress($chosen));
            $bound = $module->bound($chosen);
            $count = fn (): array => $counter->of($bound, $chosen, $bound->offer->filters ?? []);
            $grouped = fn (): array => DB::select(<<<SQL
                select grouping(light, term_ids, price, height, stock), light, term_ids, price, height, stock,
                    count(*) filter (where price_chosen) as by_light,
                    count(*) filter (where light_chosen) as by_price,
                    count(*) filter (where light_chosen and price_chosen) as by_others
                from (
                    select items.fields->>'light' as light, term_ids, (items.fields->>'price')::numeric as price,
                        (items.fields->>'height')::numeric as height,
                        (items.fields->>'stock')::numeric > 0 as stock,
                        {$light} as light_chosen, {$price} as price_chosen
                    from items where {$candidates}
                ) as listed
                group by grouping sets ((light), (term_ids), (price), (height), (stock))
                SQL);
            $rows[] = $this->compare($what, $count, $grouped);
            // The first filter, of which nothing is chosen, has counted all that are listed.
            $rows[] = $this->compare("{$what}, and page 1 with its total", fn () => app(Listing::class)->show(
                $module,
                $chosen,
                listed: $count()[0]->left,
            ), $grouped);
        }
        $this->table(['counts of five filters', 'Wellspring ms', 'by hand ms', 'ratio'], $rows);
    }

    /** A page made anew, the tree of pages and the grid, on a site of ten pages more and of ten thousand. */
    private function manyPages(BenchmarkSeeder $seeder): void
    {
        $answers = app(AddressAnswers::class);
        $context = app(ContextFactory::class)->now();
        $asks = [
            'a page of three modules, made anew' => fn () => $answers->find('/bench-three', $context),
            'an address that no page has' => fn () => $answers->find('/many-1/none', $context),
            'the tree of pages' => fn () => app(PageController::class)->index(),
            'the grid of modules against pages' => fn () => app(PlacementGrid::class)->part('', '', $context),
            'the grid, where one module is sought' => fn () => app(PlacementGrid::class)->part('Many 7', '', $context),
        ];
        $rows = array_map(fn (string $what): array => [$what], array_keys($asks));
        foreach ([[10, 10], [10_000, 300]] as [$pages, $modules]) {
            $seeder->fillPages($pages, $modules);
            foreach (array_values($asks) as $i => $ask) {
                DB::enableQueryLog();
                $ask();
                $queries = count(DB::getQueryLog());
                DB::disableQueryLog();
                DB::flushQueryLog();
                array_push($rows[$i], $queries, $this->median($ask));
            }
        }
        $this->table(['', '10 pages more: queries', 'ms', '10,000 and 300 modules: queries', 'ms'], $rows);
    }

    /** Pages as they are served, beside a bare route of the framework and a static file, in turn, three times each. */
    private function pages(string $url, string $picture): void
    {
        $anew = ['X-Requested-With: bench'];
        $asked = [
            'a bare route of the framework' => ['/up', 400, []],
            'a static file' => ['/wellspring.svg', 8000, []],
            'a picture that everybody may see' => [$picture, 6000, []],
            'a listing of 24 cards, kept' => ['/bench-newest', 6000, []],
            'the same, made anew' => ['/bench-newest', 120, $anew],
            'filtered, made anew' => ['/bench-filtered', 120, $anew],
            'five filters, two chosen, kept' => [
                '/bench-choices?choices-light=half-shade,shade&choices-price=5..20', 6000, [],
            ],
            'three modules and a frame of six, made anew' => ['/bench-three', 120, $anew],
        ];
        $measured = [];
        for ($run = 0; $run < 3; $run++) {
            foreach ($asked as $what => [$path, $requests, $headers]) {
                $measured[$what][] = LoadTest::of($url.$path, $requests, $headers);
            }
        }
        $middle = function (string $what, string $figure) use ($measured): float {
            $figures = array_map(fn (LoadTest $one): float => $one->{$figure}, $measured[$what] ?? []);
            sort($figures);

            return $figures[1] ?? NAN;
        };
        $bare = 'a bare route of the framework';
        $this->table(
            ['page', 'a second', 'of a bare route', 'median ms', 'of a bare route', 'of a static file'],
            array_map(fn (string $what): array => [
                $what,
                number_format($middle($what, 'perSecond'), 0),
                number_format($middle($what, 'perSecond') / $middle($bare, 'perSecond'), 2),
                number_format($middle($what, 'median'), 2),
                number_format($middle($what, 'median') / $middle($bare, 'median'), 2),
                number_format($middle($what, 'median') / $middle('a static file', 'median'), 1),
            ], array_keys($asked)),
        );
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

    /** @return string the median of seven runs, in ms */
    private function median(\Closure $work): string
    {
        $times = [];
        for ($run = 0; $run < 7; $run++) {
            $from = hrtime(true);
            $work();
            $times[] = (hrtime(true) - $from) / 1e6;
        }
        sort($times);

        return number_format($times[3], 0);
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
