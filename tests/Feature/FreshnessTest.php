<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Catalogue\CatalogueStore;
use App\Freshness\ContentMarks;
use App\Freshness\Dependencies;
use App\Listing\ContextFactory;
use App\Listing\Listing;
use App\Models\ContentType;
use App\Models\Group;
use App\Models\Item;
use App\Models\Page;
use App\Models\Term;
use App\Models\User;
use App\Modules\ModuleStore;
use App\Site\Address\AddressAnswers;
use App\Site\Address\PageAddress;
use App\Site\Listings\VisitorListings;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Process;
use Tests\Support\RandomModules;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Who\Viewer;

/** What is remembered is never stale, and asked for again it costs next to nothing. */
final class FreshnessTest extends TestCase
{
    use Committed;

    /** @param  array<string, mixed>  $rules */
    private function module(array $rules = []): Module
    {
        return app(ModuleStore::class)->read(
            $rules + [
                'format' => 1,
                'key' => 'plants',
                'name' => 'Plants',
                'source' => ['items' => ['plant']],
                'order' => [['by' => 'slug']],
            ],
        );
    }

    public function test_a_second_look_asks_only_whether_anything_changed(): void
    {
        $this->plantType();
        $this->plant(['title' => 'Fern', 'publish_at' => '2026-01-01']);
        $module = $this->module();
        $look = fn () => $this->cached($module);
        $first = $look();
        $this->assertSame(['marks', 'cache'], $this->tablesAsked(fn () => $this->assertEquals($first, $look())));
    }

    /**
     * What is asked of the database while something is done.
     *
     * @param  \Closure(): void  $do
     * @return list<string> the tables, each once for every query
     */
    private function tablesAsked(\Closure $do): array
    {
        DB::flushQueryLog();
        DB::enableQueryLog();
        $do();
        DB::disableQueryLog();

        return array_map(fn (string $query): string => match (true) {
            str_contains($query, 'content_mark_changes') => 'marks',
            preg_match('/from "(\w+)"/', $query, $found) === 1 => $found[1],
            default => $query,
        }, array_column(DB::getQueryLog(), 'query'));
    }

    /**
     * How many items a term has is counted once, not for every visitor; the cards themselves are as they were, or as
     * they are now.
     */
    public function test_a_second_look_at_terms_and_months_counts_nothing_anew(): void
    {
        $this->plantType();
        $this->plant(['title' => 'Fern', 'slug' => 'fern', 'publish_at' => '2026-01-01', 'groups' => ['ferns']]);
        foreach ([['terms' => 'groups', 'used' => true], ['months' => ['plant'], 'by' => 'publish_at']] as $source) {
            $module = app(ModuleStore::class)->read([
                'format' => 1,
                'key' => 'index',
                'name' => 'Index',
                'source' => $source,
                'card' => ['lines' => [['parts' => [['part' => 'title'], ['part' => 'field', 'field' => 'count']]]]],
            ]);
            $cards = fn (): array => app(VisitorListings::class)->showAlone(
                $module,
                new PageAddress('/'),
                app(ContextFactory::class)->now(),
                '1',
                new Dependencies,
            )->records;
            $first = $cards();
            $this->assertNotSame([], $first);
            $asked = $this->tablesAsked(fn () => $this->assertEquals($first, $cards()));
            $this->assertSame(['marks', 'cache'], array_values(array_unique($asked)));
            $this->plant(['title' => 'Another', 'publish_at' => '2026-01-01', 'groups' => ['ferns']]);
            $this->assertNotEquals($first, $cards(), 'one more is counted at once');
        }
    }

    public function test_whatever_is_written_and_however_the_next_look_is_right(): void
    {
        $this->plantType();
        foreach (['a', 'b', 'c'] as $slug) {
            $this->plant([
                'title' => $slug,
                'slug' => $slug,
                'publish_at' => '2026-01-01',
                'groups' => ['ferns'],
                'price' => 3,
            ]);
        }
        $module = $this->module([
            'where' => [
                'all' => [
                    ['field' => 'groups', 'test' => 'anyOf', 'value' => ['perennials'], 'below' => true],
                    ['field' => 'price', 'test' => 'lt', 'value' => 5],
                ],
            ],
        ]);
        $shrub = Term::query()->where('slug', 'shrubs')->value('id');
        foreach ([
            'a row of SQL' => fn () => DB::update(
                "update items set fields = jsonb_set(fields, '{price}', '9') where slug = 'a'",
            ),
            'terms taken away' => fn () => DB::delete(
                "delete from item_term where item_id = (select id from items where slug = 'b')",
            ),
            'terms given' => fn () => DB::insert(
                "insert into item_term select (select id from terms where slug = 'hostas'), id from items where slug "
                    ."= 'b'",
            ),
            'a term moved' => fn () => Term::query()->where('slug', 'hostas')->update(['parent_id' => $shrub]),
            'an item unpublished' => fn () => Item::query()->where('slug', 'c')->update(['status' => 'draft']),
            'an item added' => fn () => $this->plant([
                'title' => 'd',
                'slug' => 'd',
                'publish_at' => '2026-01-01',
                'groups' => ['tree-ferns'],
                'price' => 1,
            ]),
            'all deleted' => fn () => Item::query()->delete(),
        ] as $what => $write) {
            $this->assertSameNow($module, "before {$what}");
            $before = $this->cached($module);
            $write();
            app(\App\Catalogue\CatalogueStore::class)->forget();
            $module = $this->module(array_intersect_key($module->toArray(), ['where' => 0]));
            $this->assertNotEquals($before->ids(), $this->assertSameNow($module, $what), "{$what} changes the listing");
        }
    }

    public function test_items_appear_and_expire_at_their_instant(): void
    {
        $this->plantType();
        $this->plant([
            'title' => 'Now',
            'slug' => 'now',
            'publish_at' => '2026-01-01T00:00:00Z',
            'expire_at' => '2026-06-03T00:00:00Z',
        ]);
        $this->plant(['title' => 'Soon', 'slug' => 'soon', 'publish_at' => '2026-06-02T00:00:00Z']);
        $module = $this->module();
        $titles = fn (string $at): array => Item::query()
            ->findMany(
                $this->cached(
                    $module,
                    app(ContextFactory::class)->at(new \DateTimeImmutable($at), Viewer::signedOut()),
                )->ids(),
            )
            ->pluck('slug')
            ->sort()
            ->values()
            ->all();
        foreach ([
            ['2026-06-01T23:59:59Z', ['now']],
            ['2026-06-02T00:00:00Z', ['now', 'soon']],
            ['2026-06-02T23:59:59Z', ['now', 'soon']],
            ['2026-06-03T00:00:00Z', ['soon']], ['2026-06-01T00:00:00Z', ['now']], ['2025-01-01T00:00:00Z', []],
        ] as [$at, $expected]) {
            $this->assertSame($expected, $titles($at), $at);
            $this->assertSame($expected, $titles($at), "{$at}, remembered");
        }
    }

    /**
     * One rule after the other whose result changes by the clock alone, looked at just before and just after it does.
     */
    public function test_what_the_clock_brings_and_takes_is_right_at_the_very_second(): void
    {
        $this->plantType();
        $this->plant([
            'title' => 'A',
            'slug' => 'a',
            'publish_at' => '2026-01-01',
            'watered' => '2026-03-29T12:00:00Z',
            'sown' => '2026-03-29',
        ]);
        $this->plant(['title' => 'B', 'slug' => 'b', 'publish_at' => '2026-01-01']);
        foreach ([
            // Field, test, value; when it begins to hold, and the first second at which it holds no longer, by London's
            // clock.
            ['watered', 'past', null, '2026-03-29T12:00:01Z', null],
            ['watered', 'toCome', null, null, '2026-03-29T12:00:01Z'],
            [
                'watered',
                'inNext',
                ['amount' => 90, 'unit' => 'minutes'],
                '2026-03-29T10:30:00Z',
                '2026-03-29T12:00:01Z',
            ],
            ['watered', 'inLast', ['amount' => 2, 'unit' => 'hours'], '2026-03-29T12:00:00Z', '2026-03-29T14:00:01Z'],
            // A day ahead of 13:00 in summer time is 13:00 in winter time, an hour more than 24 before.
            ['watered', 'inNext', ['amount' => 1, 'unit' => 'days'], '2026-03-28T13:00:00Z', '2026-03-29T12:00:01Z'],
            ['watered', 'current', 'day', '2026-03-29T00:00:00Z', '2026-03-29T23:00:00Z'],
            ['watered', 'current', 'week', '2026-03-23T00:00:00Z', '2026-03-29T23:00:00Z'],
            ['watered', 'previous', 'month', '2026-03-31T23:00:00Z', '2026-04-30T23:00:00Z'],
            ['sown', 'past', null, '2026-03-29T23:00:00Z', null],
            ['sown', 'toCome', null, null, '2026-03-29T23:00:00Z'],
            ['sown', 'inNext', ['amount' => 1, 'unit' => 'days'], '2026-03-28T00:00:00Z', '2026-03-29T23:00:00Z'],
            ['sown', 'following', 'year', '2025-01-01T00:00:00Z', '2026-01-01T00:00:00Z'],
        ] as [$field, $test, $value, $from, $until]) {
            $module = $this->module([
                'where' => [
                    'all' => [['field' => $field, 'test' => $test] + ($value === null ? [] : ['value' => $value])],
                ],
            ]);
            $shows = fn (\DateTimeImmutable $at): int => $this->cached(
                $module,
                app(ContextFactory::class)->at($at, Viewer::signedOut()),
            )->total;
            foreach ([[$from, 0, 1], [$until, 1, 0]] as [$moment, $before, $after]) {
                // Only what may be seen then can come or go.
                if ($moment !== null && $moment > '2026-01-02') {
                    $at = new \DateTimeImmutable($moment);
                    $said = "{$field} {$test} ".json_encode($value)." at {$moment}";
                    $this->assertSame([$before, $after], [$shows($at->modify('-1 second')), $shows($at)], $said);
                    $this->assertSame(
                        [$before, $after],
                        [$shows($at->modify('-1 second')), $shows($at)],
                        "{$said}, remembered",
                    );
                }
            }
        }
    }

    public function test_a_rule_on_offer_whose_value_the_page_has_not_says_nothing_of_when_a_result_ends(): void
    {
        $this->plantType();
        $this->plant(['title' => 'Fern', 'slug' => 'fern']);
        $module = app(ModuleStore::class)->read([
            'format' => 1, 'key' => 'plants', 'name' => 'Plants', 'source' => ['items' => ['plant']],
            'offer' => ['filters' => [[
                'field' => 'publish_at', 'as' => 'only', 'label' => 'Lately', 'rule' => [
                    'field' => 'publish_at', 'test' => 'inLast', 'value' => ['from' => 'page', 'take' => 'month'],
                ],
            ]]],
        ]);
        $shown = $this->cached($module);
        $this->assertSame(1, $shown->total);
    }

    public function test_what_is_remembered_is_what_a_run_gives(): void
    {
        $this->plantType();
        $draw = new RandomModules(77);
        for ($n = 1; $n <= 25; $n++) {
            $this->plant(
                array_diff_key($draw->plant($n), ['picture' => 0, 'friends' => 0, 'keeper' => 0, 'author' => 0]),
            );
        }
        $seeds = random_int(1, 1_000_000);
        for ($seed = $seeds; $seed < $seeds + 18; $seed++) {
            $module = app(ModuleStore::class)->read((new RandomModules($seed))->rules(25, plants: true));
            // From one moment to the next, days, weeks and hours apart, nothing is written and time alone changes what
            // shows.
            for ($at = new \DateTimeImmutable('2026-03-27T22:30:00Z'), $step = 0; $step < 14; $at = $at->modify([
                '+1 second', '+29 minutes', '+3 hours', '+1 day', '+8 days',
            ][$step % 5]), $step++) {
                $context = app(ContextFactory::class)->at(
                    $at,
                    [Viewer::anyone(), Viewer::signedOut(), Viewer::member()][$seed % 3],
                );
                $run = app(Listing::class)->show($module, $context);
                foreach ([1, 2] as $time) {
                    $kept = $this->cached($module, $context);
                    $this->assertEquals(
                        $run,
                        $kept,
                        "seed {$seed}, step {$step}, time {$time}: ".json_encode($module->toArray()),
                    );
                }
            }
        }
    }

    public function test_a_mark_changes_with_each_change_and_with_nothing_else(): void
    {
        $this->plantType();
        $this->plant(['title' => 'Fern', 'slug' => 'fern']);
        $marks = fn (): array => app(ContentMarks::class)->of(
            [
                'type:plant', 'taxonomy:groups', 'content', 'catalogue', 'people', 'modules', 'pages', 'frame', 'media',
                'nothing',
            ],
        ) ?? [];
        $before = $marks();
        $this->assertSame($before, $marks());
        $person = $this->manager();
        foreach ([
            'an item' => [fn () => Item::query()->update(['title' => 'Bracken']), ['type:plant', 'content']],
            'a term' => [
                fn () => Term::query()->where('slug', 'hostas')->update(['name' => 'Plantain lilies']),
                ['catalogue', 'content', 'taxonomy:groups'],
            ],
            'a person' => [fn () => $person->update(['name' => 'Mari']), ['people']],
            'what nobody sees of a person' => [fn () => $person->update(['signed_in_at' => now()]), []],
            'a page' => [fn () => $this->pageAt('/new', 'New'), ['pages']],
            'the frame' => [fn () => $this->publishFrame([]), ['frame']],
            'a group' => [
                fn () => Group::query()->create(['key' => 'friends', 'name' => 'Friends']),
                ['catalogue', 'people'],
            ],
            'folding' => [fn () => app(ContentMarks::class)->fold(), []],
            'folding again' => [fn () => app(ContentMarks::class)->fold(), []],
            'an item, after folding' => [
                fn () => Item::query()->update(['title' => 'Fern']),
                ['type:plant', 'content'],
            ],
        ] as $what => [$write, $changed]) {
            $before = $marks();
            $write();
            $this->assertEqualsCanonicalizing($changed, array_keys(array_diff_assoc($marks(), $before)), $what);
            $this->assertSame([], array_diff_key($before, $marks()), $what);
        }
    }

    public function test_a_transaction_that_has_written_remembers_nothing_and_a_rollback_leaves_no_mark(): void
    {
        $this->plantType();
        $this->plant(['title' => 'Fern', 'slug' => 'fern', 'publish_at' => '2026-01-01']);
        $marks = app(ContentMarks::class);
        $before = $marks->of(['type:plant']);
        $module = $this->module();
        DB::beginTransaction();
        $this->plant(['title' => 'Gone', 'slug' => 'gone', 'publish_at' => '2026-01-01']);
        $this->assertNull($marks->of(['type:plant']));
        $this->assertSame(2, $this->cached($module)->total);
        DB::rollBack();
        $this->assertSame($before, $marks->of(['type:plant']));
        $this->assertSame(1, $this->cached($module)->total);
    }

    /**
     * Two connections write to one type at once: neither waits, and a number that is committed late changes the mark
     * all the same.
     */
    public function test_marks_are_never_waited_for(): void
    {
        $this->plantType();
        $this->plant(['title' => 'Fern', 'slug' => 'fern']);
        $this->plant(['title' => 'Moss', 'slug' => 'moss']);
        $marks = fn (): ?array => app(ContentMarks::class)->of(['type:plant']);
        $other = DB::connection('progress');
        $other->beginTransaction();
        $other->table('items')->where('slug', 'fern')->update(['title' => 'Long work']);
        DB::statement("set lock_timeout = '1s'");
        $first = $marks();
        Item::query()->where('slug', 'moss')->update(['title' => 'Short work']);
        app(ContentMarks::class)->fold();
        $second = $marks();
        $other->commit();
        $third = $marks();
        DB::statement('reset lock_timeout');
        $this->assertCount(3, array_unique(array_map(serialize(...), [$first, $second, $third])));
        app(ContentMarks::class)->fold();
        $this->assertSame([$third, 0], [$marks(), DB::table('content_mark_changes')->count()]);
    }

    /** What comes and goes with the accounts and the visibility of what is linked to. */
    public function test_cards_of_links_and_authors_are_right_at_the_next_look(): void
    {
        $this->plantType();
        $ada = User::query()->create(['name' => 'Ada', 'email' => 'ada@example.org']);
        $this->plant(['title' => 'Oak', 'slug' => 'oak', 'publish_at' => '2026-01-01']);
        $this->plant([
            'title' => 'Fern',
            'slug' => 'fern',
            'publish_at' => '2026-01-01',
            'author' => 'ada@example.org',
            'friends' => ['oak'],
        ]);
        $only = fn (string $field): Module => $this->module([
            'card' => ['lines' => [['parts' => [['part' => 'field', 'field' => $field]]]]],
        ]);
        $total = fn (string $field, string $at = '2026-06-01T00:00:00Z'): int => $this->cached(
            $only($field),
            app(ContextFactory::class)->at(new \DateTimeImmutable($at), Viewer::signedOut()),
        )->total;
        $this->assertSame([1, 1], [$total('author'), $total('friends')]);
        $ada->update(['active' => false]);
        Item::query()->where('slug', 'oak')->update(['expire_at' => '2026-07-01T00:00:00Z']);
        $this->assertSame(
            [0, 1, 1, 0],
            [
                $total('author'),
                $total('friends'),
                $total('friends', '2026-06-30T23:59:59Z'),
                $total('friends', '2026-07-01T00:00:00Z'),
            ],
        );
        Item::query()->where('slug', 'oak')->update(['audience' => '{members}', 'expire_at' => null]);
        $this->assertSame([0, 0], [$total('friends'), $total('friends', '2026-06-30T23:59:59Z')]);
    }

    /** Whatever changes a page changes one of the marks that it was made under; and it says when time alone does. */
    public function test_a_page_says_what_it_was_made_of(): void
    {
        $type = $this->plantType();
        $author = $this->manager();
        foreach (['fern' => '2026-01-01T00:00:00Z', 'oak' => '2126-07-01T00:00:00Z'] as $slug => $at) {
            $this->plant(['title' => $slug, 'slug' => $slug, 'publish_at' => $at, 'author' => $author->email]);
        }
        Group::query()->create(['key' => 'friends', 'name' => 'Friends']);
        $definition = $this->module(['card' => ['lines' => [['parts' => [
            ['part' => 'title'],
            ['part' => 'field', 'field' => 'author'],
            ['part' => 'field', 'field' => 'groups'],
        ]]]]])->toArray();
        $page = $this->pageAt('/plants', 'Plants');
        $row = $this->placeOn($page, app(ModuleStore::class)->read($definition));
        $other = $this->pageAt('/other', 'Other');
        $this->publishFrame(['header' => [['block' => 'menu', 'menu' => 'main']]]);
        $make = function (): array {
            app(CatalogueStore::class)->forget();
            $answer = app(AddressAnswers::class)->find('/plants', app(ContextFactory::class)->now(Viewer::anyone()));
            $result = $answer->page ?? $this->fail('It is there.');
            $made = $result->dependencies;

            return [
                view('site.page', ['result' => $result])->render(),
                app(ContentMarks::class)->of($made->keys()),
                $made->until(),
            ];
        };
        $retitled = fn (Page $page, string $title) => $page->update(['live' => [
            'title' => $title, 'menu' => ['label' => $title],
        ] + ($page->refresh()->live ?? [])]);
        [, , $until] = $make();
        $this->assertSame(strtotime('2126-07-01T00:00:00Z'), $until, 'the next item appears');

        $changes = [
            'an item' => fn () => Item::query()->where('slug', 'fern')->update(['title' => 'Lady fern']),
            'its author' => fn () => $author->update(['name' => 'Another name']),
            'what it belongs to' => fn () => DB::insert('insert into item_term (item_id, term_id) values (?, ?)', [
                Item::query()->where('slug', 'fern')->value('id'),
                Term::query()->where('slug', 'hostas')->value('id'),
            ]),
            'the name of a term' => fn () => Term::query()->where('slug', 'hostas')->update(['name' => 'Lily']),
            'the page' => fn () => $retitled($page, 'All plants'),
            'the navigation' => fn () => $retitled($other, 'Something else'),
            'a module' => fn () => $row->update(['live' => ['name' => 'Green things'] + $definition]),
            'the address of items' => fn () => ContentType::query()->where('key', $type->key)->update([
                'definition' => DB::raw(
                    "jsonb_set(definition::jsonb, '{x-wellspring,address}', '\"/green/{slug}\"')::json",
                ),
            ]),
            'a placement' => fn () => $this->stand($row, $page, false),
            'where it is in the order' => fn () => $other->refresh()->update(['position' => 0]),
            'the frame' => fn () => $this->publishFrame(['footer' => [['block' => 'heading', 'text' => 'End']]]),
        ];
        foreach ($changes as $what => $change) {
            [$html, $marks] = $make();
            $this->assertSame([$html, $marks], array_slice($make(), 0, 2), "nothing changes by itself; {$what}");
            $change();
            [$after, $newMarks] = $make();
            $this->assertNotSame($html, $after, "{$what} changes the page");
            $this->assertNotEquals($marks, array_intersect_key($newMarks ?? [], $marks ?? []), "{$what} leaves a mark");
        }
        [, $marks] = $make();
        $row->update(['draft' => ['name' => 'A draft'] + $definition]);
        $this->assertEquals($marks, $make()[1], 'a draft is nothing to visitors');
    }

    private function assertSameNow(Module $module, string $what): \Wellspring\Core\Run\Result
    {
        $context = app(ContextFactory::class)->now();
        $kept = $this->cached($module, $context);
        $this->assertEquals(app(Listing::class)->show($module, $context)->ids(), $kept->ids(), $what);

        return $kept;
    }

    public function test_a_request_that_was_too_slow_does_not_release_the_lock_of_the_next(): void
    {
        $result = Process::run([PHP_BINARY, '-d', 'apc.enable_cli=1', '-r', <<<'PHP'
            require $argv[1].'/vendor/autoload.php';
            $memory = new App\Site\PageCache\PageMemory('test');
            $slow = $memory->lock('/');
            apcu_clear_cache();
            $next = $memory->lock('/');
            $memory->unlock('/', $slow, true);
            $third = $memory->lock('/');
            $memory->unlock('/', $next, true);
            echo json_encode([is_int($slow), is_int($next), $third, is_int($memory->lock('/'))]);
            PHP, base_path()]);
        $this->assertSame('[true,true,null,true]', $result->output(), $result->errorOutput());
    }
}
