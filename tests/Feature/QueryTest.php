<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Catalogue\CatalogueStore;
use App\Listing\ContextFactory;
use App\Listing\Listing;
use App\Models\Group;
use App\Models\Item;
use App\Models\Module as ModuleRow;
use App\Models\Term;
use App\Models\User;
use App\Modules\BulkModuleChange;
use App\Modules\Comparison;
use App\Modules\ModuleStore;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Tests\Support\Garden;
use Tests\Support\RandomModules;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Time\Calendar;
use Wellspring\Core\Time\DurationUnit;
use Wellspring\Core\Who\Viewer;

/** What the bench answers, what modules go through, search, and views. */
final class QueryTest extends TestCase
{
    /** Common practice, no source: a listing shows four of a group's five products, and somebody asks for the fifth. */
    public function test_the_fifth_product_of_a_group_is_missing_and_the_trace_says_why_and_what_to_do(): void
    {
        $this->plantType();
        $this->actingAs($this->manager());
        foreach (['Lady fern', 'Male fern', 'Oak fern', 'Royal fern'] as $i => $title) {
            $this->plant([
                'title' => $title,
                'groups' => ['ferns'],
                'light' => 'shade',
                'price' => $i + 1,
                'publish_at' => '2026-01-01',
            ]);
        }
        $fifth = $this->plant([
            'title' => 'Sun fern',
            'groups' => ['ferns'],
            'light' => 'sun',
            'price' => 2.5,
            'publish_at' => '2026-01-01',
        ]);
        $definition = Garden::module([
            'where' => [
                'all' => [
                    ['field' => 'groups', 'test' => 'anyOf', 'value' => ['ferns']],
                    ['field' => 'light', 'test' => 'anyOf', 'value' => ['shade', 'half-shade']],
                ],
            ],
            'order' => [['by' => 'price']],
            'page' => ['size' => 2],
        ])->toArray();
        $traced = $this->postJson(
            '/manage/api/bench/trace',
            ['definition' => $definition, 'item' => $fifth->id],
        )->assertOk()
            ->assertJson([
                'shown' => false,
                'wouldStand' => 3,
                'page' => 2,
                'answer' => 'Not shown: Light is Full sun, and the rule keeps Shade or Half shade.',
            ])->json();
        $this->assertSame([true, true, false, true, true], array_column($traced['steps'], 'passed'));
        $this->assertSame(
            [
                'Also keep Full sun',
                'Switch off the rule on Light',
                'Pin it to the top, past the rules',
                'Edit the Plant itself',
            ],
            array_column($traced['ways'], 'words'),
        );
        foreach ($traced['ways'] as $way) {
            if ($way['definition'] !== null) {
                $this->postJson(
                    '/manage/api/bench/trace',
                    ['definition' => $way['definition'], 'item' => $fifth->id],
                )->assertJsonPath('shown', true);
            }
        }
        $this->postJson(
            '/manage/api/bench/trace',
            ['definition' => $definition, 'slug' => 'no-such'],
        )->assertUnprocessable();

        app(ModuleStore::class)->publish(app(ModuleStore::class)->apply(app(ModuleStore::class)->read($definition)));
        $this->assertSame(
            0,
            Artisan::call('wellspring:trace', ['key' => 'plants', 'slug' => 'sun-fern', '--json' => true]),
        );
        $this->assertSame($traced['answer'], json_decode(Artisan::output(), true)['answer']);
        $this->assertSame(0, Artisan::call('wellspring:trace', ['key' => 'plants', 'slug' => 'oak-fern']));
        $this->assertStringContainsString('It stands on no page yet.', Artisan::output());
        $this->assertSame(
            0,
            Artisan::call(
                'wellspring:trace',
                ['key' => 'plants', 'slug' => 'sun-fern', '--on' => '2020-01-01T00:00:00Z'],
            ),
        );
        $this->assertStringContainsString('not published before 1 Jan 2026', Artisan::output());
        $this->assertSame(1, Artisan::call('wellspring:trace', ['key' => 'plants', 'slug' => 'none']));
    }

    public function test_a_record_behind_the_last_that_shows_is_told_its_place_and_how_to_show_it(): void
    {
        $this->garden();
        $fifth = Item::query()->where('slug', 'plant-5')->valueOrFail('id');
        $ask = fn (array $definition): array => $this->postJson(
            '/manage/api/bench/trace',
            ['definition' => $definition, 'item' => $fifth],
        )
            ->assertOk()
            ->json();
        foreach ([
            [
                ['page' => ['mode' => 'fixed', 'size' => 4]],
                'place 5, but the module shows no more than 4.',
                ['Show 5', 'Show all, on numbered pages', 'Pin it to the top'],
            ],
            [
                ['atMost' => 2, 'skip' => 1, 'page' => ['size' => 2]],
                'place 5, but the module shows no more than 2 after the 1 that it skips.',
                ['Show 4', 'Show all'],
            ],
            [['skip' => 5], 'place 5, but the module skips the first 5.', ['Skip only the first 4']],
        ] as [$rules, $answer, $ways]) {
            $traced = $ask(Garden::module(['order' => [['by' => 'price']]] + $rules)->toArray());
            $this->assertSame(
                [false, "Not shown: it passes every rule and stands at {$answer}", [...$ways, 'Edit the Plant itself']],
                [$traced['shown'], $traced['answer'], array_column($traced['ways'], 'words')],
            );
            foreach (array_filter(array_column($traced['ways'], 'definition')) as $changed) {
                $this->assertTrue($ask($changed)['shown']);
            }
        }
    }

    /**
     * Of every kind of record a module can be asked why it does not show it, whether or not it could ever be among its
     * own.
     */
    public function test_any_record_is_found_and_asked_about_whatever_the_module_takes(): void
    {
        $this->garden();
        Group::query()->create(['key' => 'gardeners', 'name' => 'Gardeners']);
        User::query()->create(['name' => 'Ada Fern', 'email' => 'ada@example.org']);
        User::query()->create(['name' => 'Closed Fern', 'email' => 'closed@example.org', 'active' => false]);
        app(CatalogueStore::class)->forget();
        $definition = fn (array $source): array => [
            'format' => 1,
            'key' => 'asked',
            'name' => 'Asked',
            'source' => $source,
        ];
        $ask = function (array $source, string $slug, ?string $why, ?int $would = null) use ($definition): void {
            $traced = $this->postJson(
                '/manage/api/bench/trace',
                ['definition' => $definition($source), 'slug' => $slug],
            )
                ->assertOk()
                ->json();
            $this->assertSame(
                [$why === null, $why === null ? $traced['answer'] : "Not shown: {$why}", $would],
                [$traced['shown'], $traced['answer'], $traced['wouldStand']],
                json_encode([$source, $slug], JSON_THROW_ON_ERROR),
            );
        };
        $ask(['terms' => 'groups', 'used' => true], 'ferns', null);
        $ask(
            ['terms' => 'groups', 'used' => true],
            'hostas',
            'No item that may be seen now has it or a term below it.',
            3,
        );
        $ask(['terms' => 'groups', 'under' => 'perennials'], 'shrubs', 'It does not stand below Perennials.', 4);
        $ask(['terms' => 'groups'], 'plant-1', 'The module takes Plant groups, and this is a Plant.');
        $ask(
            ['page' => 'term'],
            'ferns',
            'The module takes the term that the page is about, and this page is about none of its own.',
            1,
        );
        $ask(['people' => ['groups' => []]], 'ada-fern', null);
        $ask(['people' => ['groups' => ['gardeners']]], 'ada-fern', 'They do not belong to Gardeners.', 1);
        $ask(['people' => ['groups' => []]], 'closed-fern', 'The account is closed.', 2);
        $ask(['months' => ['plant'], 'by' => 'publish_at'], '2026-01', null);
        $ask(
            ['months' => ['plant'], 'by' => 'publish_at'],
            '2026-07',
            'None of Plants that may be seen now lies in it, by Publish date.',
        );
        $ask(
            ['page' => 'item'],
            'plant-1',
            'The module takes the item that the page is about, and this page is about none.',
            1,
        );
        $ask(
            ['one' => 'plant-2', 'type' => 'plant'],
            'plant-1',
            'The module takes “plant-2” alone, and this is “plant-1”.',
            1,
        );
        foreach (['2026-13', 'none'] as $wrong) {
            $this->postJson(
                '/manage/api/bench/trace',
                ['definition' => $definition(['months' => ['plant'], 'by' => 'publish_at']), 'slug' => $wrong],
            )
                ->assertUnprocessable()
                ->assertJsonPath('problems.0.path', 'slug');
        }

        $this->plant(['title' => 'Fern of the draft', 'status' => 'draft']);
        $find = fn (array $source, string $words): array => array_map(
            fn (array $one): array => [$one['kind'], $one['title'], $one['item'] !== null],
            $this->postJson('/manage/api/bench/find', ['definition' => $definition($source), 'words' => $words])
                ->assertOk()
                ->json(),
        );
        $this->assertSame(
            [['Term', 'Ferns', false], ['Term', 'Tree ferns', false], ['Plant', 'Fern of the draft', true]],
            $find(['terms' => 'groups', 'used' => true], ' FERN '),
        );
        $this->assertSame(
            [['Person', 'Ada Fern', false], ['Person', 'Closed Fern', false], ['Plant', 'Fern of the draft', true]],
            $find(['people' => ['groups' => ['gardeners']]], 'fern'),
        );
        $this->assertSame([['Plant', 'Fern of the draft', true]], $find(['items' => ['plant']], 'férn'));
        $this->assertSame([], $find(['items' => ['plant']], '%'));
        $this->assertSame([], $find(['items' => ['plant']], "\0"));
    }

    public function test_what_has_run_out_is_removed_from_the_cache_and_nothing_else(): void
    {
        $kept = app('cache.store');
        $kept->put('short', 1, 60);
        $kept->put('long', 2, 6000);
        $kept->forever('for-good', 3);
        $rows = fn (): array => array_map(
            fn (string $key): string => substr($key, (int) strrpos($key, '_') + 1),
            DB::table('cache')->where('key', 'not like', '%catalogue:%')->orderBy('key')->pluck('key')->all(),
        );
        $this->travel(61)->seconds();
        $this->assertSame(['for-good', 'long', 'short'], $rows(), 'by itself it goes on lying there');
        $this->assertSame(0, Artisan::call('wellspring:tidy'));
        $this->assertSame("Removed 1 that had run out; folded the marks of 0 changes.\n", Artisan::output());
        $this->assertSame(['for-good', 'long'], $rows());
    }

    public function test_results_stand_with_their_places_and_any_fields(): void
    {
        $this->garden();
        $definition = Garden::module([
            'order' => [['by' => 'price', 'direction' => 'down']],
            'pin' => ['plant-2'],
            'page' => ['size' => 2],
        ])->toArray();
        $this->postJson(
            '/manage/api/bench/results',
            ['definition' => $definition, 'fields' => ['price', 'light', 'gone']],
        )->assertOk()
            ->assertJson([
                'total' => 5,
                'rows' => [
                    ['slug' => 'plant-2', 'place' => 1, 'page' => 1, 'pinned' => true, 'values' => ['£2.00', '']],
                    ['slug' => 'plant-5', 'place' => 2],
                    ['slug' => 'plant-4', 'place' => 3, 'page' => 2],
                ],
            ]);
        $terms = [
            'source' => ['terms' => 'groups', 'used' => true],
            'order' => [['by' => 'count', 'direction' => 'down'], ['by' => 'title']],
            'card' => ['lines' => [['parts' => [['part' => 'title']]]]],
        ] + $definition;
        $this->postJson(
            '/manage/api/bench/results',
            ['definition' => array_diff_key($terms, ['pin' => 0]), 'fields' => ['count']],
        )->assertOk()
            ->assertJson([
                'total' => 2,
                'rows' => [['title' => 'Ferns', 'values' => ['2']], ['title' => 'Perennials', 'values' => ['2']]],
            ]);
        $this->postJson(
            '/manage/api/bench/trace',
            ['definition' => array_diff_key($terms, ['pin' => 0]), 'slug' => 'ferns'],
        )
            ->assertOk()
            ->assertJson(['shown' => true, 'place' => 1]);
    }

    public function test_what_would_come_go_and_move_is_told_page_by_page_on_any_date(): void
    {
        $this->garden();
        $store = app(ModuleStore::class);
        $live = Garden::module([
            'order' => [['by' => 'price']],
            'page' => ['size' => 2],
            'where' => ['all' => [['field' => 'price', 'test' => 'lte', 'value' => 4]]],
        ]);
        $row = $store->publish($store->apply($live));
        $draft = [
            'order' => [['by' => 'price', 'direction' => 'up']],
            'where' => ['all' => [['field' => 'price', 'test' => 'gte', 'value' => 2]]],
            'pin' => ['plant-4'],
            'whenNothing' => ['do' => 'say', 'text' => 'Gone.'],
        ] + $live->toArray();
        $said = $this->postJson('/manage/api/bench/compare', ['definition' => $draft])
            ->assertOk()
            ->assertJson(['compared' => true, 'before' => 4, 'after' => 4, 'comes' => 1, 'moves' => 1])
            ->json();
        $this->assertSame(['Plant 1'], array_column($said['goes'], 'title'));
        $this->assertSame(
            [['Plant 4', 'moves'], ['Plant 2', 'stays']],
            array_map(fn (array $one): array => [$one['title'], $one['what']], $said['pages'][0]['rows']),
        );
        $this->assertSame(
            [['Plant 3', 'stays'], ['Plant 5', 'comes']],
            array_map(fn (array $one): array => [$one['title'], $one['what']], $said['pages'][1]['rows']),
        );
        $this->assertSame(['Keep only', 'By hand', 'When nothing is left'], array_column($said['said'], 'lead'));
        $this->postJson(
            '/manage/api/bench/compare',
            ['definition' => $draft, 'at' => '2020-01-01T00:00:00Z'],
        )->assertJson(['before' => 0, 'after' => 0, 'comes' => 0]);

        // Every version is kept, can be compared with, and comes back.
        $this->putJson(
            '/manage/api/modules/plants/draft',
            ['definition' => $draft, 'revision' => $row->revision],
        )->assertOk();
        $this->postJson('/manage/api/modules/plants/publish', [])->assertOk();
        $this->assertSame(
            [2, 1],
            array_column((array) $this->getJson('/manage/api/modules/plants/versions')->json(), 'number'),
        );
        $first = $this->getJson('/manage/api/modules/plants/versions/1')->assertOk()->json('definition');
        $this->assertSame($live->toArray(), $first);
        $this->postJson(
            '/manage/api/bench/compare',
            ['definition' => $draft, 'against' => 1],
        )->assertJson(['comes' => 1]);
        $this->postJson('/manage/api/bench/compare', ['definition' => $draft, 'against' => 9])->assertUnprocessable();
        $two = fn (?int $version, ?int $against): array => $this->postJson(
            '/manage/api/bench/compare',
            ['definition' => Garden::module()->toArray(), 'version' => $version, 'against' => $against],
        )
            ->assertOk()
            ->json();
        $this->assertSame(
            [['Plant 5'], ['Plant 1']],
            [array_column($two(1, 2)['goes'], 'title'), array_column($two(2, 1)['goes'], 'title')],
            'any two versions, whatever the draft says',
        );
        $this->assertSame(
            [0, [], 0, []],
            [$two(2, null)['comes'], $two(2, null)['goes'], $two(2, null)['moves'], $two(2, null)['said']],
            'version 2 is what is live',
        );
        $this->postJson('/manage/api/bench/compare', ['definition' => $draft, 'version' => 9])
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.path', 'version');
        $this->getJson('/manage/api/modules/plants/versions/9')->assertNotFound();
    }

    /**
     * For any two definitions: what is said to come, go, stay and move is the difference of the two listings, and
     * taking it leads from one to the other.
     */
    public function test_a_comparison_is_the_difference_of_the_two_listings(): void
    {
        $this->plantType();
        $seed = random_int(1, 1_000_000);
        for ($n = 1; $n <= 20; $n++) {
            $this->plant(
                array_diff_key(
                    (new RandomModules($seed + $n))->plant($n),
                    ['picture' => 0, 'friends' => 0, 'keeper' => 0, 'author' => 0],
                ),
            );
        }
        $store = app(ModuleStore::class);
        $context = app(ContextFactory::class)->at(new \DateTimeImmutable('2026-06-01T12:00:00Z'), Viewer::signedOut());
        $met = 0;
        for ($pair = 0; $pair < 100; $pair++) {
            [$before, $after] = array_map(
                fn (int $which): Module => $store->read(
                    (new RandomModules($seed + 100 * $which + $pair))->rules(30, plants: true),
                ),
                [1, 2],
            );
            [$was, $is] = array_map(
                fn (Module $module): array => array_map(
                    strval(...),
                    app(Listing::class)->some($module, $context, 0, 1000),
                ),
                [$before, $after],
            );
            $said = app(Comparison::class)->of($before, $after, $context);
            $about = "seed {$seed}, pair {$pair}";
            $rows = array_merge(...array_map(fn (array $page): array => $page['rows'], $said['pages']));
            $of = fn (string ...$what): array => array_column(
                array_values(array_filter($rows, fn (array $row): bool => in_array($row['what'], $what, true))),
                'key',
            );
            $this->assertSame([count($was), count($is)], [$said['before'], $said['after']], $about);
            $this->assertSame($is, array_column($rows, 'key'), "the new listing, in its order; {$about}");
            $this->assertSame(
                [array_values(array_diff($is, $was)), $said['comes']],
                [$of('comes'), count($of('comes'))],
                $about,
            );
            $this->assertSame(array_values(array_diff($was, $is)), array_column($said['goes'], 'key'), $about);
            $kept = $of('stays', 'otherPage');
            $this->assertSame(
                array_values(array_intersect($was, $kept)),
                $kept,
                "what does not move keeps its order; {$about}",
            );
            $this->assertSame(
                [$said['moves'], $said['otherPage']],
                [count($of('moves')), count($of('otherPage'))],
                $about,
            );
            foreach ($rows as $row) {
                $old = array_search($row['key'], $was, true);
                $this->assertSame(
                    [$old === false ? null : $old + 1, $old === false ? null : intdiv($old, $before->page->size) + 1],
                    [$row['was'], $row['wasOn']],
                    $about,
                );
            }
            $same = app(Comparison::class)->of($after, $after, $context);
            $this->assertSame(
                [0, [], 0, 0, []],
                [$same['comes'], $same['goes'], $same['moves'], $same['otherPage'], $same['said']],
                "nothing changes from itself to itself; {$about}",
            );
            $met += $said['comes'] > 0 && $said['goes'] !== [] ? 1 : 0;
        }
        $this->assertGreaterThan(0, $met, 'some pairs differ');
    }

    public function test_a_rule_whose_field_is_gone_is_marked_where_it_stands_while_the_site_goes_on(): void
    {
        $this->garden();
        $store = app(ModuleStore::class);
        $row = $store->publish(
            $store->apply(
                Garden::module([
                    'where' => [
                        'all' => [
                            ['field' => 'price', 'test' => 'gt', 'value' => 2],
                            ['field' => 'light', 'test' => 'anyOf', 'value' => ['shade']],
                        ],
                    ],
                    'order' => [['by' => 'height'], ['by' => 'title']],
                ]),
            ),
        );
        $gone = json_decode(str_replace(['"light"', '"height"'], '"gone"', (string) json_encode($row->draft)), true);
        $row->forceFill(['draft' => $gone])->save();
        $look = $this->postJson('/manage/api/bench/preview', ['definition' => $gone])->assertOk()->json();
        $this->assertSame(['where.all[1].field', 'order[0].by'], array_column($look['problems'], 'path'));
        $this->assertSame(
            ['where.all[1]', 'order[0]'],
            array_column(array_merge(...array_column($look['sentences'], 'broken')), 'at'),
        );
        $this->assertSame(3, $look['total'], 'the other rules still hold');
        // What was broken before may be kept while something else is changed; nothing new that is broken may.
        $this->putJson(
            '/manage/api/modules/plants/draft',
            ['definition' => ['name' => 'Mended half'] + $gone, 'revision' => $row->revision],
        )->assertOk();
        $this->putJson(
            '/manage/api/modules/plants/draft',
            ['definition' => ['headings' => ['by' => 'nowhere']] + $gone, 'revision' => $row->revision + 1],
        )->assertUnprocessable();
        $this->postJson('/manage/api/modules/plants/publish', [])->assertUnprocessable();
        // Mended and kept, and the mending undone: what was wrong may come back, and nothing else.
        $keep = fn (array $definition) => $this->putJson(
            '/manage/api/modules/plants/draft',
            ['definition' => $definition, 'revision' => $row->refresh()->revision],
        );
        $keep(Garden::module()->toArray())->assertOk();
        $keep($gone)->assertOk();
        $keep(
            json_decode(str_replace('"gone"', '"gone_too"', (string) json_encode($gone)), true),
        )->assertUnprocessable();
        $this->getJson('/manage/api/modules/records?keys[]=plants')->assertExactJson([
            'plants' => ['live' => 0, 'draft' => null],
        ]);
        $this->getJson('/manage/api/modules')
            ->assertJsonPath('0.state', 'attention')
            ->assertJsonPath('0.takes', ['Plants'])
            ->assertJsonPath('0.problem', fn (string $said): bool => str_contains($said, '“gone” is not a field'));
        $this->postJson('/manage/api/modules/check', ['definition' => $gone])
            ->assertUnprocessable()
            ->assertJsonCount(2, 'problems');
    }

    public function test_the_list_of_modules_says_what_each_takes_names_and_shows(): void
    {
        $this->garden();
        $store = app(ModuleStore::class);
        $store->apply(
            Garden::module([
                'key' => 'a',
                'where' => [
                    'all' => [[
                        'any' => [
                            ['field' => 'groups', 'test' => 'anyOf', 'value' => ['ferns', 'shrubs']],
                            ['field' => 'groups', 'test' => 'noneOf', 'value' => ['ferns']],
                        ],
                    ]],
                ],
                'order' => [['by' => 'byHand', 'of' => 'groups', 'term' => 'hostas']],
            ]),
        );
        $store->apply(
            $store->read([
                'format' => 1,
                'key' => 'b',
                'name' => 'B',
                'source' => ['terms' => 'groups', 'under' => 'perennials'],
            ]),
        );
        $row = $store->publish(
            $store->apply(
                $store->read(['format' => 1, 'key' => 'c', 'name' => 'C', 'source' => ['people' => ['groups' => []]]]),
            ),
        );
        app(BulkModuleChange::class)->do([$row], 'off');
        $shifted = $store->publish(
            $store->apply(
                Garden::module([
                    'key' => 'd',
                    'where' => ['all' => [['field' => 'price', 'test' => 'gt', 'value' => 3]]],
                ]),
            ),
        );
        $store->saveDraft($shifted, Garden::module(['key' => 'd'])->toArray(), $shifted->revision);
        $listed = array_map(
            fn (array $one): array => [$one['key'], $one['state'], $one['takes'], array_column($one['terms'], 'key')],
            (array) $this->getJson('/manage/api/modules')->assertOk()->json(),
        );
        $this->assertSame([
            ['a', 'draft', ['Plants'], ['groups/ferns', 'groups/shrubs', 'groups/hostas']],
            ['b', 'draft', ['Plant groups'], ['groups/perennials']],
            ['c', 'off', ['People'], []],
            ['d', 'changed', ['Plants'], []],
        ], $listed);
        $records = fn () => $this->getJson(
            '/manage/api/modules/records?keys[]=a&keys[]=b&keys[]=c&keys[]=d',
        )->assertOk();
        $records()->assertExactJson([
            'a' => ['live' => null, 'draft' => 5],
            'b' => ['live' => null, 'draft' => 3],
            'c' => ['live' => null, 'draft' => 1],
            'd' => ['live' => 2, 'draft' => 5],
        ]);
        $this->plant(['title' => 'Dear', 'price' => 30, 'publish_at' => '2026-01-01']);
        $both = $this->postJson('/manage/api/modules/many', ['keys' => ['a', 'd'], 'do' => 'publish'])
            ->assertOk()
            ->assertJson(['title' => 'Published “Plants”, “Plants”', 'faults' => []])
            ->json('change');
        $records()->assertJsonPath('a', ['live' => 6, 'draft' => 6])->assertJsonPath('d', ['live' => 6, 'draft' => 6]);
        $again = $this->postJson('/manage/api/modules/many', ['keys' => ['a'], 'do' => 'publish'])->json('change');
        $this->postJson("/manage/api/changes/{$both}/undo", [])->assertOk()->assertJson(['undone' => 1]);
        $records()->assertJsonPath('a', ['live' => 6, 'draft' => 6])->assertJsonPath('d', ['live' => 3, 'draft' => 6]);
        $this->postJson("/manage/api/changes/{$again}/undo", [])->assertOk()->assertJson(['undone' => 1]);
        $this->assertSame(
            [2, 1],
            array_column((array) $this->getJson('/manage/api/modules/d/versions')->json(), 'number'),
            'what was published stays a version',
        );
        ModuleRow::query()
            ->where('key', 'b')
            ->update([
                'draft' => ['source' => ['terms' => 'gone']] + ModuleRow::query()
                    ->where('key', 'b')
                    ->firstOrFail()->draft,
            ]);
        $this->postJson('/manage/api/modules/many', ['keys' => ['b'], 'do' => 'publish'])
            ->assertOk()
            ->assertJson(['change' => null, 'title' => 'Nothing was published'])
            ->assertJsonPath(
                'faults.0',
                fn (string $said): bool => str_starts_with($said, '“B” was not published: source.terms'),
            );
        ModuleRow::query()
            ->where('key', 'b')
            ->update([
                'draft' => ['source' => ['terms' => 'groups', 'under' => 'perennials']] + ModuleRow::query()
                    ->where('key', 'b')
                    ->firstOrFail()->draft,
            ]);
        $records()->assertJsonPath('d', ['live' => 3, 'draft' => 6]);
        $this->getJson(
            '/manage/api/modules/records?keys[]=gone&keys[]=b',
        )->assertExactJson(['b' => ['live' => null, 'draft' => 3]]);
        $this->getJson('/manage/api/modules/records')->assertUnprocessable();
    }

    public function test_modules_are_copied_switched_off_and_removed_together_and_come_back(): void
    {
        $this->garden();
        $store = app(ModuleStore::class);
        $page = $this->pageAt('/garden', 'Garden');
        foreach (['one', 'two'] as $key) {
            $this->placeOn($page, Garden::module(['key' => $key, 'name' => "Module {$key}"]));
        }
        $this->postJson('/manage/api/modules/one/duplicate', [])
            ->assertCreated()
            ->assertJson(['key' => 'module-one-copy', 'live' => false]);
        $this->get('/garden')->assertSeeInOrder(['Module one', 'Module two']);
        $off = $this->postJson('/manage/api/modules/many', ['keys' => ['one'], 'do' => 'off'])
            ->assertOk()
            ->json('change');
        $this->get('/garden')->assertDontSee('Module one')->assertSee('Module two');
        $removed = $this->postJson('/manage/api/modules/many', ['keys' => ['one', 'two'], 'do' => 'remove'])
            ->assertOk()
            ->json('change');
        $this->get('/garden')->assertOk()->assertDontSee('Module two');
        $this->assertSame(
            ['module-one-copy'],
            array_column((array) $this->getJson('/manage/api/modules')->json(), 'key'),
        );
        $this->postJson(
            '/manage/api/modules',
            ['name' => 'One', 'definition' => ['source' => ['items' => ['plant']]]],
        )->assertJsonPath('key', 'one-2');
        $again = $this->postJson(
            '/manage/api/modules/many',
            ['keys' => ['module-one-copy'], 'do' => 'off'],
        )->json('change');
        $this->postJson('/manage/api/modules/many', ['keys' => ['module-one-copy'], 'do' => 'remove'])->assertOk();
        $this->postJson("/manage/api/changes/{$again}/undo", [])->assertOk();
        $this->getJson('/manage/api/modules/module-one-copy')->assertNotFound();
        $this->postJson("/manage/api/changes/{$removed}/undo", [])->assertOk()->assertJson(['undone' => 2]);
        $this->get('/garden')->assertDontSee('Module one')->assertSee('Module two');
        $this->postJson("/manage/api/changes/{$off}/undo", [])->assertOk();
        $this->get('/garden')->assertSeeInOrder(['Module one', 'Module two']);
        $this->postJson('/manage/api/modules/many', ['keys' => ['one', 'gone'], 'do' => 'off'])->assertNotFound();
    }

    public function test_every_starting_point_is_an_ordinary_definition(): void
    {
        $this->garden();
        $starts = (array) $this->getJson('/manage/api/modules/starts')->assertOk()->json();
        $this->assertGreaterThanOrEqual(12, count($starts));
        foreach ($starts as $start) {
            $made = $this->postJson(
                '/manage/api/modules',
                ['name' => $start['words'], 'definition' => $start['definition']],
            )
                ->assertCreated()
                ->json('definition');
            $this->postJson('/manage/api/bench/preview', ['definition' => $made])
                ->assertOk()
                ->assertJson(['problems' => []]);
        }
    }

    public function test_search_finds_whole_words_and_beginnings_in_any_form_accents_aside(): void
    {
        $this->plantType();
        foreach ([
            ['Crème brûlée lily', 'A sweet scent', '<p>Flowers in gardens.</p>'],
            ['Garden fern', 'Scented', '<p>No flower at all, 12 cm.</p>'],
            ['Oak', 'Creme', '<p>Wood</p>'],
        ] as $i => [$title, $nickname, $text]) {
            $this->plant([
                'title' => $title,
                'slug' => "p{$i}",
                'nickname' => $nickname,
                'text' => $text,
                'publish_at' => '2026-01-01',
            ]);
        }
        $found = function (string $words): array {
            $module = Garden::module([
                'where' => ['all' => [['field' => 'words', 'test' => 'search', 'value' => $words]]],
                'order' => [['by' => 'relevance', 'direction' => 'down'], ['by' => 'slug']],
            ]);

            return array_map(
                fn (int $id): string => (string) Item::query()->whereKey($id)->value('slug'),
                app(Listing::class)->run($module, app(ContextFactory::class)->now())->ids(),
            );
        };
        foreach ([
            'creme' => ['p0', 'p2'], 'CRÈME lily' => ['p0'], 'garden' => ['p1', 'p0'],
            'gardens' => ['p1', 'p0'], 'flower' => ['p0', 'p1'], 'scent*' => ['p0', 'p1'], 'bru' => [],
            'bru*' => ['p0'], '12' => ['p1'], '1' => [], 'fern oak' => [],
        ] as $words => $expected) {
            $this->assertSame($expected, $found((string) $words), (string) $words);
        }
        DB::table('items')->update(['words' => '{}']);
        $this->assertSame([], $found('garden'));
        $this->assertSame(0, Artisan::call('wellspring:words'));
        $this->assertSame(['p1', 'p0'], $found('garden'));
        $this->get('/search?q=garden')
            ->assertOk()
            ->assertSeeInOrder(['2 pages', '<mark>Garden</mark> fern', 'Crème brûlée lily'], false);
        $this->get('/search?q='.urlencode("'; drop & | ! ( <b>"))->assertOk()->assertSee('Nothing on this site holds');
        foreach (['/search', '/search?q=', '/search?q[]=x', '/search?q=%FF%00'] as $empty) {
            $this->get($empty)->assertOk()->assertDontSee('found for');
        }
        $this->get('/search?q=garden&search-page=9')->assertNotFound();
        $this->actingAs($this->manager())
            ->getJson('/manage/api/find?q=crem')
            ->assertOk()
            ->assertJson([['kind' => 'item', 'title' => 'Crème brûlée lily'], ['title' => 'Oak']]);
    }

    public function test_search_looks_where_it_is_told_and_in_the_names_of_terms_and_of_those_above(): void
    {
        $this->plantType();
        foreach ([
            ['Rust', 'Lily', '<p>Moss.</p>', ['tree-ferns']],
            ['Lily', 'Moss', '<p>Rust, rust.</p>', ['shrubs']],
            ['Moss', 'Rust', '<p>Lily.</p>', null],
        ] as $i => [$title, $nickname, $story, $groups]) {
            $this->plant([
                'title' => $title,
                'slug' => "p{$i}",
                'nickname' => $nickname,
                'story' => $story,
                'groups' => $groups,
                'publish_at' => '2026-01-01',
            ]);
        }
        /** @param  array<string, int>|null  $in */
        $module = fn (
            string $words,
            ?array $in,
        ): Module => app(ModuleStore::class)
            ->read(['format' => 1, 'key' => 'found', 'name' => 'Found', 'source' => ['items' => ['plant']],
                'where' => ['all' => [[
                    'field' => 'words',
                    'test' => 'search',
                    'value' => $words,
                ] + ($in === null ? [] : ['in' => $in])]], 'order' => [
                    ['by' => 'relevance', 'direction' => 'down'],
                    ['by' => 'slug'],
                ]]);
        $found = fn (Module $module): array => array_map(
            fn (int $id): string => (string) Item::query()->whereKey($id)->value('slug'),
            $this->cached($module)->ids(),
        );
        foreach ([
            ['rust', null, ['p0', 'p2', 'p1']],
            ['rust', ['title' => 1], ['p0']],
            ['rust', ['title' => 1, 'nickname' => 5], ['p2', 'p0']],
            ['rust', ['story' => 3, 'nickname' => 2, 'title' => 1], ['p1', 'p2', 'p0']],
            ['fern', null, ['p0']],
            ['perennial', null, ['p0']],
            ['perenn* moss', null, ['p0']],
            ['moss fern', ['title' => 1, 'groups' => 1], []],
            ['shrubs', ['groups' => 1], ['p1']],
            ['shrubs', ['title' => 1], []],
            ['lily shrub', ['title' => 2, 'groups' => 1], ['p1']],
        ] as [$words, $in, $expected]) {
            $this->assertSame($expected, $found($module($words, $in)), $words.json_encode($in));
        }
        $groups = $module('hedge', ['groups' => 2, 'title' => 1]);
        $this->assertSame([], $found($groups));
        $this->actingAs($this->manager());
        $shrubs = Term::query()->where('slug', 'shrubs')->firstOrFail();
        $this->putJson(
            "/manage/api/terms/{$shrubs->id}",
            ['revision' => $this->revision('terms', $shrubs->id), 'term' => ['slug' => 'shrubs', 'name' => 'Hedges']],
        )->assertOk();
        $this->assertSame(['p1'], $found($groups), 'a term called otherwise is found by its new name at once');
        $this->get('/search?q=hedge')->assertOk()->assertSee('Lily');
        $this->getJson('/manage/api/find?q=hedg')
            ->assertOk()
            ->assertJson([['kind' => 'item', 'title' => 'Lily'], ['kind' => 'term', 'title' => 'Hedges']]);
        $this->postJson('/manage/api/bench/preview', ['definition' => $groups->toArray()])
            ->assertOk()
            ->assertSee('hold')
            ->assertSee('Plant groups (2) or Title (1)');
        foreach (['where.all[0].in.title: expected a whole number from 1 to 10' => ['title' => 11], 'where.all[0].in: '
            .'expected fields, at least one' => ['title'], 'where.all[0].in: “height” is no text of Plants; expected '
                .'one of: title, text, nickname, story, groups.' => ['height' => 1]] as $problem => $in) {
            try {
                $module('x', $in);
                $this->fail('The definition was to be refused.');
            } catch (Refused $refused) {
                $this->assertStringStartsWith($problem, (string) $refused->problems[0]);
            }
        }
    }

    public function test_views_are_counted_once_a_visit_and_most_read_follows(): void
    {
        $this->garden();
        $see = fn (
            int $n,
            string $agent = 'Mozilla/5.0 (X11; Linux x86_64) Firefox/140',
            string $ip = '10.0.0.1',
            string $method = 'GET',
        ) => $this->call(
            $method,
            "/plants/plant-{$n}",
            server: ['HTTP_USER_AGENT' => $agent, 'REMOTE_ADDR' => $ip],
        )->assertOk();
        $counted = fn (int $n): int => (int) DB::table('item_views')
            ->join('items', 'items.id', '=', 'item_views.item_id')
            ->where('slug', "plant-{$n}")
            ->sum('views');
        $see(3);
        $see(3);
        $this->assertSame(1, $counted(3), 'a reload within half an hour does not count');
        $this->travel(31)->minutes();
        $see(3);
        $this->assertSame(2, $counted(3));
        $see(3, ip: '10.0.0.2');
        foreach (range(600, 630) as $version) {
            $see(3, "Mozilla/5.0 Safari/{$version}");
        }
        $see(3, ip: '2001:db8::1');
        $see(3, ip: '2001:db8:0:0:ffff::2');
        $see(1);
        $this->assertSame([4, 1], [$counted(3), $counted(1)], 'another network counts once, and another item');
        foreach (['Mozilla/5.0 (compatible; SomeBot/2.1)', 'curl/8.5', 'python-requests/2.32', ''] as $program) {
            $see(5, $program, '10.0.0.9');
        }
        $see(5, method: 'HEAD');
        $this->assertSame(0, $counted(5), 'programs do not count');
        $this->assertEqualsCanonicalizing(
            ['item_id', 'day', 'views'],
            Schema::getColumnListing('item_views'),
            'nothing about who looked is kept',
        );

        $this->placeOn($this->pageAt('/garden'), Garden::module([
            'order' => [['by' => 'popularity', 'direction' => 'down'], ['by' => 'slug']],
            'page' => ['mode' => 'fixed', 'size' => 2],
        ]));
        $this->get('/garden')->assertSeeInOrder(['Plant 3', 'Plant 1']);
        foreach (range(1, 6) as $visitor) {
            $see(5, ip: "10.1.0.{$visitor}");
        }
        $this->travel(61)->seconds();
        $this->get('/garden')->assertSeeInOrder(['Plant 5', 'Plant 3'])->assertDontSee('Plant 1');
    }

    /** PostgreSQL's own reckoning, with its own copy of ICU's and IANA's data, beside core's. */
    public function test_days_and_months_are_reckoned_as_the_database_does(): void
    {
        foreach (['Europe/London', 'America/St_Johns', 'Australia/Lord_Howe'] as $zone) {
            $calendar = new Calendar(new \DateTimeZone($zone));
            foreach (DB::select("select to_char(d, 'YYYY-MM-DD') as day, to_char((d at time zone ?) at time zone "
                ."'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS\"Z\"') as first from generate_series('2024-01-01'::timestamp, "
                    ."'2027-12-31', '1 day') as d", [$zone]) as $row) {
                $this->assertSame($row->first, $calendar->firstInstant($row->day), "{$row->day} in {$zone}");
            }
        }
        $calendar = new Calendar(new \DateTimeZone('UTC'));
        foreach ([DurationUnit::Months, DurationUnit::Years, DurationUnit::Weeks, DurationUnit::Days] as $unit) {
            foreach (DB::select("select to_char(d, 'YYYY-MM-DD') as day, n, to_char(d + n * ?::interval, "
                ."'YYYY-MM-DD') as moved from generate_series('2023-12-25'::timestamp, '2024-04-05', '1 day') as d, "
                    .'generate_series(-25, 25, 7) as n', ["1 {$unit->value}"]) as $row) {
                $this->assertSame(
                    $row->moved,
                    $calendar->movedDay($row->day, (int) $row->n, $unit),
                    "{$row->day} {$row->n} {$unit->value}",
                );
            }
        }
    }

    private function garden(): void
    {
        $this->plantType();
        $this->actingAs($this->manager());
        foreach (range(1, 5) as $n) {
            $this->plant([
                'title' => "Plant {$n}",
                'price' => $n,
                'publish_at' => '2026-01-01',
                'groups' => $n > 3 ? ['ferns'] : null,
            ]);
        }
    }
}
