<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Catalogue\CatalogueStore;
use App\Database\PostgresArray;
use App\Listing\ContextFactory;
use App\Listing\Facets\FacetCounter;
use App\Listing\Indexes\Indexes;
use App\Listing\Listing;
use App\Models\Item;
use App\Models\Term;
use App\Modules\BulkModuleChange;
use App\Modules\ModuleStore;
use Illuminate\Contracts\Process\InvokedProcess;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Process;
use Tests\Support\Garden;
use Wellspring\Core\Context\Choices;

/** Indexes are made beside others' work, which no transaction allows: this test clears up after itself. */
final class IndexesTest extends TestCase
{
    use Committed {
        tearDown as private truncate;
    }

    protected function tearDown(): void
    {
        DB::statement('truncate modules cascade');
        app(Indexes::class)->keep(app(ModuleStore::class)->allLive());
        $this->truncate();
    }

    public function test_live_modules_get_the_indexes_they_need_and_leave_none_behind(): void
    {
        $this->plantType();
        $this->plant(['title' => "O'Hara’s fern", 'price' => 2, 'light' => 'shade', 'publish_at' => '2026-01-01']);
        $store = app(ModuleStore::class);
        $indexes = app(Indexes::class);
        $store->apply(Garden::module(['key' => 'draft', 'order' => [['by' => 'sown']]]));
        $this->assertSame([], $indexes->needed(app(ModuleStore::class)->allLive()), 'a draft needs none');
        $rules = [
            'where' => [
                'all' => [
                    ['field' => 'light', 'test' => 'anyOf', 'value' => ['shade']],
                    ['field' => 'price', 'test' => 'gt', 'value' => 1],
                    ['field' => 'nickname', 'test' => 'contains', 'value' => 'x'],
                    ['field' => 'hardy', 'test' => 'yes', 'off' => true],
                ],
            ],
        ];
        $one = $store->publish(
            $store->apply(
                Garden::module(
                    [
                        'key' => 'one',
                        'order' => [['by' => 'light', 'direction' => 'down'], ['by' => 'price'], ['by' => 'title']],
                    ] + $rules,
                ),
            ),
        );
        $two = $store->publish(
            $store->apply(
                Garden::module(['key' => 'two', 'order' => [['by' => 'popularity', 'direction' => 'down']]] + $rules),
            ),
        );
        $this->assertEqualsCanonicalizing(
            [
                'Plants in order of Light, then Price, then Title',
                'Plants by Light',
                'Plants by Price',
                'how often each Light comes',
                'how often each Price comes',
            ],
            array_column($indexes->needed(app(ModuleStore::class)->allLive()), 'what'),
        );
        $indexes->keep(app(ModuleStore::class)->allLive());
        $this->assertEquals(
            array_fill_keys(array_keys($indexes->needed(app(ModuleStore::class)->allLive())), true),
            $indexes->present(),
        );
        $this->assertSame(
            ['made' => [], 'dropped' => [], 'failed' => []],
            $indexes->keep(app(ModuleStore::class)->allLive()),
            'made once',
        );

        DB::statement('set enable_seqscan = off');
        DB::statement('set enable_sort = off');
        $plan = implode(
            "\n",
            array_column(
                DB::select(
                    "explain select id from items where type_key = 'plant' and status = 'published' order by case "
                        ."when (items.fields->>'light') is not null then "
                            ."coalesce(array_position('{\"sun\",\"half-shade\",\"shade\"}'::text[], "
                                ."(items.fields->>'light')), 4::int) end desc nulls last, "
                                    ."(items.fields->>'price')::numeric asc, left(items.title, 200) collate "
                                        .'wellspring_text asc, '
                                        .'items.id asc limit 8',
                ),
                'QUERY PLAN',
            ),
        );
        DB::statement('reset enable_seqscan');
        DB::statement('reset enable_sort');
        $this->assertStringContainsString('wellspring_module_', $plan);

        $this->assertSame(0, Artisan::call('wellspring:indexes', ['--look' => true]));
        $this->assertStringContainsString('one, two', Artisan::output());
        app(BulkModuleChange::class)->do([$one], 'off');
        $this->assertSame(0, Artisan::call('wellspring:indexes'));
        $this->assertCount(4, $indexes->present());
        app(BulkModuleChange::class)->do([$two], 'remove');
        $indexes->keep(app(ModuleStore::class)->allLive());
        $this->assertSame([], $indexes->present());
    }

    /** An entry of an index has room for 2,704 bytes; a Han letter takes three. */
    public function test_a_text_of_a_thousand_letters_is_saved_found_and_ordered_and_breaks_no_index(): void
    {
        $this->plantType();
        $store = app(ModuleStore::class);
        $rules = fn (string $test, mixed $value): array => [
            'where' => ['all' => [['field' => 'nickname', 'test' => $test, 'value' => $value]]],
        ];
        $long = implode('', array_map(fn (int $n): string => mb_chr(0x4E00 + $n * 7), range(1, 1000)));
        $this->plant(['title' => 'Before', 'nickname' => $long, 'publish_at' => '2026-01-01']);
        $by = ['order' => [['by' => 'nickname'], ['by' => 'title', 'direction' => 'down']]];
        $store->publish($store->apply(Garden::module(['key' => 'long'] + $by + $rules('is', 'fern'))));
        $indexes = app(Indexes::class);
        $done = $indexes->keep($store->allLive());
        $this->assertSame([3, []], [count($done['made']), $done['failed']]);
        $other = ['title' => mb_substr($long, 0, 300), 'nickname' => mb_substr($long, 0, 999).'b'];
        $this->plant($other + ['publish_at' => '2026-01-01']);
        $this->plant(['title' => 'Short', 'nickname' => 'Fern', 'publish_at' => '2026-01-01']);
        $titles = fn (array $module): array => array_map(
            fn (int $id): string => mb_substr(Item::query()->findOrFail($id)->title, 0, 6),
            app(Listing::class)->run(Garden::module($module + $by), app(ContextFactory::class)->now())->ids(),
        );
        $first = mb_substr($long, 0, 6);
        $this->assertSame(['Short', $first, 'Before'], $titles(['key' => 'all']), 'no Latin letter comes after Han');
        $this->assertSame(['Short'], $titles($rules('is', 'FERN')));
        $this->assertSame([$first, 'Before'], $titles($rules('begins', mb_substr($long, 0, 250))));
        $this->assertSame(['Short'], $titles($rules('anyOf', ['fern', 'moss'])));
        $this->assertSame([], $titles($rules('is', mb_substr($long, 0, 250))), 'it is compared in full');
    }

    public function test_an_index_that_cannot_be_made_is_told_in_manage_and_stops_no_other(): void
    {
        $this->plantType();
        $store = app(ModuleStore::class);
        $where = ['where' => ['all' => [['field' => 'height', 'test' => 'gt', 'value' => 1]]]];
        $plant = $this->plant(['title' => 'Fern', 'height' => 3, 'publish_at' => '2026-01-01']);
        DB::table('items')->where('id', $plant->id)->update(['fields' => '{"height": "not a number"}']);
        $store->publish($store->apply(Garden::module(['key' => 'first', 'order' => [['by' => 'title']]] + $where)));
        $store->publish($store->apply(Garden::module(['key' => 'later', 'order' => [['by' => 'light']]])));
        $indexes = app(Indexes::class);
        $done = $indexes->keep($store->allLive());
        $needed = $indexes->needed($store->allLive());
        $this->assertSame(['Plants by Height', 'how often each Height comes'], array_map(
            fn (string $name): string => $needed[$name]['what'],
            array_keys($done['failed']),
        ));
        $this->assertContains('Plants in order of Light', array_map(
            fn (string $name): string => $needed[$name]['what'],
            $done['made'],
        ));
        $this->assertNotContains(false, $indexes->present(), 'no broken index stays behind');
        $this->assertSame(1, Artisan::call('wellspring:indexes'));
        $list = $this->actingAs($this->manager())->getJson('/manage/api/modules')->json();
        $rows = array_column((array) $list, null, 'key');
        $this->assertSame(['attention', 'live'], [$rows['first']['state'], $rows['later']['state']]);
        $this->assertStringContainsString('could not make the index of Plants by Height', $rows['first']['problem']);
        DB::table('items')->where('id', $plant->id)->update(['fields' => '{"height": 3}']);
        $this->assertSame([], $indexes->keep($store->allLive())['failed']);
        $this->assertSame([], Indexes::faults());
    }

    /** What does not fit into a row of the index is saved and counted all the same. */
    public function test_what_visitors_filters_count_stands_in_an_index(): void
    {
        $this->plantType();
        $terms = [];
        for ($n = 1; $n <= 200; $n++) {
            $terms[] = Term::query()->create(['taxonomy_key' => 'groups', 'slug' => "g{$n}", 'name' => "G {$n}"])->slug;
        }
        app(CatalogueStore::class)->forget();
        $store = app(ModuleStore::class);
        $row = $store->publish($store->apply($store->read([
            'format' => 1, 'key' => 'plants', 'name' => 'Plants', 'source' => ['items' => ['plant']],
            'where' => ['all' => [['field' => 'height', 'test' => 'gt', 'value' => 1]]],
            'offer' => ['key' => 'shop', 'filters' => [
                ['field' => 'groups', 'as' => 'tree'],
                ['field' => 'light', 'as' => 'checks'],
                ['field' => 'uses', 'as' => 'checks'],
                ['field' => 'price', 'as' => 'range'],
                ['field' => 'hardy', 'as' => 'yesNo'],
                ['field' => 'sown', 'as' => 'dates'],
            ]],
        ])));
        $module = $store->read($row->live);
        $indexes = app(Indexes::class);
        $indexes->keep($store->allLive());
        $this->assertContains('Plants as visitors’ filters count them', array_column(
            $indexes->needed($store->allLive()),
            'what',
        ));
        $kept = ['publish_at' => '2026-01-01', 'light' => 'sun', 'uses' => ['pot', 'cut'], 'height' => 5, 'price' => 3];
        $this->plant(['title' => 'Fits', 'groups' => ['ferns'], 'hardy' => true] + $kept);
        $this->plant(['title' => 'Of many terms', 'groups' => [...$terms, 'ferns']] + $kept);
        $this->plant(['title' => 'Too low', 'groups' => $terms, 'height' => 1] + $kept);
        $sets = array_map(fn (int $n): string => hash('sha256', "set {$n}"), range(1, 100));
        $id = $this->plant(['title' => 'For many sets', 'groups' => ['ferns']] + $kept)->id;
        DB::table('items')->where('id', $id)->update(['audience' => PostgresArray::literal(['everyone', ...$sets])]);
        $this->assertSame([true, false, false, false], DB::table('items')->orderBy('id')->pluck('fits_index')->all());

        DB::statement('vacuum analyze items');
        DB::statement('set enable_seqscan = off');
        DB::statement('set enable_bitmapscan = off');
        foreach ([[], ['shop-uses' => 'pot,cut', 'shop-groups' => 'ferns', 'shop-price' => '2..4']] as $choices) {
            $context = app(ContextFactory::class)->now();
            $module = $module->bound($context->with(choices: Choices::fromAddress($choices)));
            DB::flushQueryLog();
            DB::enableQueryLog();
            $facets = app(FacetCounter::class)->of($module, $context, $module->offer->filters ?? []);
            $asked = array_filter(DB::getQueryLog(), fn (array $one): bool => str_contains($one['query'], 'counted'));
            DB::disableQueryLog();
            $this->assertSame([3, 3, 3, 3, 3, 3], array_column($facets, 'left'));
            $this->assertSame([3, 3, 3, 1], [
                $facets[0]->counts['ferns'], $facets[1]->counts['sun'], $facets[2]->counts['pot'],
                $facets[4]->counts['yes'],
            ]);
            $plan = implode("\n", array_column(
                DB::select('explain '.array_column($asked, 'query')[0], array_column($asked, 'bindings')[0]),
                'QUERY PLAN',
            ));
            $this->assertStringContainsString('Index Only Scan using wellspring_module_', $plan);
        }
        DB::statement('reset enable_seqscan');
        DB::statement('reset enable_bitmapscan');
    }

    /**
     * Two that make indexes beside others' work at the same time wait for each other until the database ends one of
     * them.
     */
    public function test_one_process_at_a_time_keeps_the_indexes(): void
    {
        $this->plantType();
        $store = app(ModuleStore::class);
        $store->publish($store->apply(Garden::module(['order' => [['by' => 'price']]])));
        app(Indexes::class)->keep(app(ModuleStore::class)->allLive());
        DB::statement('drop index '.implode(', ', array_keys(app(Indexes::class)->present())));
        $started = fn (): InvokedProcess => Process::path(base_path())
            ->env(['DB_DATABASE' => DB::connection()->getDatabaseName()])
            ->start([PHP_BINARY, 'artisan', 'wellspring:indexes']);
        // As if another were at it: the lock that it would hold.
        $lock = (new \ReflectionClassConstant(Indexes::class, 'LOCK'))->getValue();
        config(['database.connections.other' => config()->array('database.connections.pgsql')]);
        $other = DB::connection('other');
        $other->scalar('select pg_advisory_lock(?)', [$lock]);
        [$one, $two] = [$started(), $started()];
        for ($wait = 0; $wait < 100 && (! str_contains(
            $one->output(),
            'wait for another',
        ) || ! str_contains($two->output(), 'wait for another')); $wait++) {
            usleep(100_000);
        }
        $this->assertTrue($one->running() && $two->running(), $one->output().$two->output().$one->errorOutput());
        $this->assertSame([], app(Indexes::class)->present());
        $other->scalar('select pg_advisory_unlock(?)', [$lock]);
        $this->assertSame([0, 0], [$one->wait()->exitCode(), $two->wait()->exitCode()]);
        $this->assertSame(1, substr_count($one->output().$two->output(), 'make wellspring_module_'), 'made once');
        $this->assertCount(1, app(Indexes::class)->present());
        DB::disconnect('other');
    }
}
