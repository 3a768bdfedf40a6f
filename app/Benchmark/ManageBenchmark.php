<?php

declare(strict_types=1);

namespace App\Benchmark;

use App\Catalogue\CatalogueStore;
use App\Content\ItemQuery;
use App\Listing\Listing;
use App\Listing\Options;
use App\Listing\RecordFinder;
use App\Listing\Trace\Tracer;
use App\Models\Item;
use App\Models\User;
use App\Pages\StoredPage;
use App\Site\Address\FoundPage;
use App\Site\Address\PageAddress;
use App\Site\Listings\ListingPreview;
use App\Site\SitePages;
use App\Site\Subject;
use Illuminate\Support\Facades\DB;

/** The waiting times of managers: the bench's answers, and the table of items. */
final readonly class ManageBenchmark implements Benchmark
{
    public function __construct(
        private Listing $listing,
        private SitePages $sitePages,
        private Options $options,
        private Tracer $tracer,
        private RecordFinder $finder,
        private CatalogueStore $catalogue,
        private ItemQuery $items,
    ) {
    }

    public function measure(BenchmarkSite $site): iterable
    {
        yield new BenchmarkTable(
            ['the bench’s answer to an edit: counts, gaps, page', 'ms'],
            array_map(fn (string $key): array => [
                $key, Stopwatch::median(fn () => $this->preview($key, $site)),
            ], ['newest', 'filtered']),
        );
        $questions = $this->questions($site);
        yield new BenchmarkTable(
            ['what else the bench asks', 'ms'],
            array_map(
                fn (string $what, \Closure $ask): array => [$what, Stopwatch::median($ask)],
                array_keys($questions),
                $questions,
            ),
        );
        yield new BenchmarkTable(
            ['table of items, first page, with total', 'Wellspring ms', 'by hand ms', 'ratio'],
            [
                $this->table('last change first', [], 'updated_at', false, 'true', 'updated_at desc, id desc'),
                $this->table('by title', [], 'title', true, 'true', 'left(title, 200) collate wellspring_text asc, id'),
                $this->table(
                    'quick search',
                    ['q' => 'plant 4711'],
                    'title',
                    true,
                    "folded->>'title' like '%plant 4711%'",
                    'left(title, 200) collate wellspring_text asc, id',
                ),
            ],
        );
    }

    private function preview(string $key, BenchmarkSite $site): void
    {
        $run = $this->listing->runWithGaps($site->modules[$key], $site->context, '1');
        $stored = StoredPage::plain('Bench', '', ['module' => $key]);
        view('site.page', ['result' => $this->sitePages->page(
            new FoundPage($stored, Subject::ofPage($stored->definition)),
            new PageAddress('/'),
            $site->context,
            [],
            preview: new ListingPreview($site->modules[$key], $run->result),
        )])->render();
    }

    /** @return array<string, \Closure(): mixed> */
    private function questions(BenchmarkSite $site): array
    {
        $module = $site->modules['filtered'];
        $context = $site->context;
        $field = $module->type()->reachable;
        $item = fn (mixed $id): Item => Item::query()->where('id', $id)->firstOrFail();
        $products = Item::query()->where('type_key', 'product');
        $dropped = $item($products->whereRaw('not ('.HandWrittenSql::LIGHT.')')->max('id'));
        $id = fn (int $skip): ?int => ($this->listing->some($module, $context, $skip, 1)[0] ?? null)?->id;
        $shown = $item($id(20_000) ?? $id(0));

        return [
            'counts beside the terms of a condition' => fn () => $this->options
                ->of($module, $field['groups'], 'where.all[0]', $context),
            'counts beside choices' => fn () => $this->options->of($module, $field['light'], 'where.all[1]', $context),
            'how a number lies' => fn () => $this->options->of($module, $field['price'], 'where.all[1]', $context),
            'why a record shows, and where' => fn () => $this->tracer->item($module, $shown, $context),
            'why one does not, and where it would' => fn () => $this->tracer->item($module, $dropped, $context),
            'a record by a part of its title' => fn () => $this->finder->find($module, 'plant 4711', $context),
        ];
    }

    /**
     * @param  array<string, mixed>  $asked  the query of the table's address
     * @param  string  $where  the same in SQL
     * @param  string  $order  the order in SQL
     * @return list<string>
     */
    private function table(string $what, array $asked, string $sort, bool $up, string $where, string $order): array
    {
        $type = $this->catalogue->catalogue()->types['product'];

        return Stopwatch::compare(
            "the manager’s table, {$what}",
            function () use ($type, $asked, $sort, $up): void {
                $query = $this->items->find($type, $asked, new User(['name' => 'Bench', 'role' => 'manager']));
                (clone $query)->count();
                $this->items->order($query, $type, $sort, $up)->forPage(1, 50)->get();
            },
            function () use ($where, $order): void {
                DB::select("select count(*) from items where type_key = 'product' and {$where}");
                DB::select("select * from items where type_key = 'product' and {$where} order by {$order} limit 50");
            },
        );
    }
}
