<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Catalogue\CatalogueStore;
use App\Content\Types\TypeWriter;
use App\Import\ImportPlan;
use App\Import\ItemImport;
use App\Listing\ContextFactory;
use App\Listing\Trace\Tracer;
use App\Models\Media;
use App\Modules\ModuleStore;
use App\Pages\PageStore;
use Illuminate\Support\Facades\DB;
use Tests\Support\Garden;

/** However much a site holds, what is looked at often asks the database no more often. */
final class QueryCountTest extends TestCase
{
    use Committed;

    protected function setUp(): void
    {
        parent::setUp();
        config(['session.driver' => 'array']);
        $this->plantType();
    }

    /**
     * @param  \Closure(): mixed  $do
     * @return list<string> what was asked of the database, nothing being known from before in this process
     */
    private function asked(\Closure $do): array
    {
        app(CatalogueStore::class)->forget();
        DB::flushQueryLog();
        DB::enableQueryLog();
        $do();
        DB::disableQueryLog();

        return array_column(DB::getQueryLog(), 'query');
    }

    private function placed(int $from, int $until): void
    {
        $page = app(PageStore::class)->find('garden') ?? $this->pageAt('/garden');
        $store = app(ModuleStore::class);
        foreach (range($from, $until) as $n) {
            $rules = Garden::module()->toArray();
            $row = $store->publish(
                $store->apply(
                    $store->read(['key' => "plants-{$n}", 'name' => "Plants {$n}", 'page' => ['size' => 3]] + $rules),
                ),
            );
            $this->stand($row, $page);
        }
    }

    public function test_a_visitors_page_that_was_seen_before_reads_no_types_and_little_for_each_module(): void
    {
        // As served: what is cached lies in memory.
        config(['cache.default' => 'array']);
        foreach (range(1, 5) as $n) {
            $this->plant(['title' => "Fern {$n}", 'slug' => "fern-{$n}", 'publish_at' => '2026-01-01']);
        }
        $this->publishFrame([
            'header' => [['block' => 'menu', 'menu' => 'main'], ['block' => 'searchBox'], ['block' => 'accountLinks']],
            'footer' => [
                ['block' => 'heading', 'text' => 'Come by'], ['block' => 'text', 'html' => '<p>Open</p>'],
                ['block' => 'space'],
            ],
        ]);
        $this->placed(1, 1);
        $look = fn () => $this->get('/garden')->assertOk()->assertSee('Fern 1');
        $look();
        $one = $this->asked($look);
        $this->placed(2, 3);
        foreach (range(1, 5) as $n) {
            $file = Garden::toolFile();
            $file['x-wellspring'] = ['key' => "tool{$n}", 'plural' => "Tools {$n}", 'address' => "/tools{$n}/{slug}"]
                + (array) $file['x-wellspring'];
            app(TypeWriter::class)->apply($file);
        }
        $look();
        $three = $this->asked($look);
        $this->assertLessThanOrEqual(count($one) + 2, count($three), implode("\n", $three));
        // To be kept, it asks once more whether anything was written meanwhile.
        $this->assertLessThanOrEqual(12, count($three) + 1, implode("\n", $three));
        $this->assertDoesNotMatchRegularExpression(
            '/from "(types|content_types|taxonomies|terms)"/',
            implode("\n", $three),
        );
    }

    public function test_the_list_of_modules_asks_no_more_for_more_modules(): void
    {
        foreach (range(1, 5) as $n) {
            $this->plant(['title' => "Fern {$n}", 'slug' => "fern-{$n}", 'publish_at' => '2026-01-01']);
        }
        $this->actingAs($this->manager());
        $counts = [];
        foreach ([2 => [1, 2], 12 => [3, 12]] as $all => [$from, $until]) {
            $this->placed($from, $until);
            $keys = implode('&', array_map(fn (int $n): string => "keys[]=plants-{$n}", range($from, $until)));
            $numbers = fn () => $this->getJson("/manage/api/modules/records?{$keys}")->assertOk();
            $list = count($this->asked(fn () => $this->getJson('/manage/api/modules')->assertOk()));
            $cold = count($this->asked($numbers));
            $this->assertLessThanOrEqual(
                6 + 2 * ($until - $from + 1),
                $cold,
                'each is counted once, with until when that holds',
            );
            $counts[] = [$list, count($this->asked($numbers))];
        }
        $this->assertSame($counts[0], $counts[1]);
        $this->assertLessThan(12, max($counts[1]));
    }

    public function test_a_trace_through_many_words_asks_for_their_stems_once(): void
    {
        $words = implode(
            ' ',
            array_map(fn (int $n): string => 'word'.base_convert((string) $n, 10, 26), range(1, 600)),
        );
        $item = $this->plant(['title' => 'Fern', 'text' => "<p>{$words}</p>", 'story' => "<p>{$words} x</p>"]);
        $module = app(ModuleStore::class)->read(['where' => ['all' => [
            ['field' => 'words', 'test' => 'search', 'value' => 'fern worda'],
            ['field' => 'words', 'test' => 'search', 'value' => 'wordb'],
        ]]] + Garden::module()->toArray());
        $trace = fn () => app(Tracer::class)->item($module, $item->refresh(), app(ContextFactory::class)->now());
        $asked = $this->asked($trace);
        $this->assertLessThan(40, count($asked), implode("\n", $asked));
        $this->assertLessThanOrEqual(2, count(preg_grep('/tsvector_to_array/', $asked) ?: []));
    }

    public function test_an_import_finds_what_its_rows_are_known_by_at_once(): void
    {
        $rows = fn (int $until): string => $this->file('csv', "nickname,title\n".implode('', array_map(
            fn (int $n): string => "n{$n},Plant {$n}\n",
            range(1, $until),
        )));
        $type = app(CatalogueStore::class)->catalogue()->types['plant'];
        foreach (range(1, 5) as $n) {
            $this->plant(['title' => "Old {$n}", 'nickname' => "n{$n}"]);
        }
        $plan = new ImportPlan(key: 'nickname');
        $check = fn (int $until): array => $this->asked(
            fn () => app(ItemImport::class)->check($rows($until), $type, $plan, fn (string $phase, int $done) => null),
        );
        [$few, $many] = [$check(10), $check(200)];
        $this->assertCount(1, preg_grep('/fields->\? = any/', $many) ?: []);
        $this->assertLessThanOrEqual(count($few) + 5, count($many), implode("\n", $many));
    }

    public function test_the_files_screen_reads_no_texts(): void
    {
        $this->actingAs($this->manager());
        $counts = [];
        foreach ([1, 30] as $until) {
            foreach (range(1, $until) as $n) {
                $name = "hive-{$until}-{$n}.webp";
                Media::query()->create(['name' => $name, 'kind' => 'picture', 'mime' => 'image/webp', 'width' => 4,
                    'height' => 4, 'bytes' => 1, 'sizes' => []]);
                $this->plant([
                    'title' => "Fern {$until} {$n}",
                    'text' => "<p>x</p><img src=\"/media/{$name}\" alt=\"\">",
                ]);
            }
            $asked = $this->asked(
                fn () => $this->getJson('/manage/api/media')->assertOk()->assertSee("Fern {$until} 1"),
            );
            $this->assertDoesNotMatchRegularExpression('/~|regexp|like|"?text"?[ ,]/i', implode("\n", $asked));
            $counts[] = count($asked);
        }
        $this->assertSame($counts[0], $counts[1]);
    }
}
