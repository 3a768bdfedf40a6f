<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Listing\Contexts;
use App\Listing\Listing;
use App\Listing\Remembered;
use App\Models\Item;
use App\Models\Term;
use App\Modules\ModuleStore;
use App\Site\PageMaker;
use Illuminate\Support\Facades\DB;
use Tests\Support\RandomModules;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Who\Audience;
use Wellspring\Core\Who\Viewer;

/** What is remembered is never stale, and asked for again it costs next to nothing. */
final class FreshnessTest extends TestCase
{
    /** @param  array<string, mixed>  $rules */
    private function module(array $rules = []): Module
    {
        return app(ModuleStore::class)->read($rules + ['format' => 1, 'key' => 'plants', 'name' => 'Plants', 'source' => ['items' => ['plant']], 'order' => [['by' => 'slug']]]);
    }

    public function test_a_second_look_asks_only_whether_anything_changed(): void
    {
        $this->plantType();
        $this->plant(['title' => 'Fern', 'publish_at' => '2026-01-01']);
        $module = $this->module();
        $look = fn () => app(Remembered::class)->show($module, app(Contexts::class)->now());
        $first = $look();
        $this->assertSame(['content_counters', 'cache'], $this->tablesAsked(fn () => $this->assertEquals($first, $look())));
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

        return array_map(fn (string $query): string => preg_match('/from "(\w+)"/', $query, $found) === 1 ? $found[1] : $query, array_column(DB::getQueryLog(), 'query'));
    }

    /** How many items a term has is counted once, not for every visitor; the cards themselves are as they were, or as they are now. */
    public function test_a_second_look_at_terms_and_months_counts_nothing_anew(): void
    {
        $this->plantType();
        $this->plant(['title' => 'Fern', 'slug' => 'fern', 'publish_at' => '2026-01-01', 'groups' => ['ferns']]);
        foreach ([['terms' => 'groups', 'used' => true], ['months' => ['plant'], 'by' => 'publish_at']] as $source) {
            $module = app(ModuleStore::class)->read(['format' => 1, 'key' => 'index', 'name' => 'Index', 'source' => $source, 'card' => ['lines' => [['parts' => [['part' => 'title'], ['part' => 'field', 'field' => 'count']]]]]]);
            $cards = fn (): array => app(PageMaker::class)->module($module, '/', app(Contexts::class)->now(), '1')->cards;
            $first = $cards();
            $this->assertNotSame([], $first);
            $asked = $this->tablesAsked(fn () => $this->assertEquals($first, $cards()));
            $this->assertSame(['content_counters', 'cache'], array_values(array_unique($asked)));
            $this->plant(['title' => 'Another', 'publish_at' => '2026-01-01', 'groups' => ['ferns']]);
            $this->assertNotEquals($first, $cards(), 'one more is counted at once');
        }
    }

    public function test_whatever_is_written_and_however_the_next_look_is_right(): void
    {
        $this->plantType();
        foreach (['a', 'b', 'c'] as $slug) {
            $this->plant(['title' => $slug, 'slug' => $slug, 'publish_at' => '2026-01-01', 'groups' => ['ferns'], 'price' => 3]);
        }
        $module = $this->module(['where' => ['all' => [['field' => 'groups', 'test' => 'anyOf', 'value' => ['perennials'], 'below' => true], ['field' => 'price', 'test' => 'lt', 'value' => 5]]]]);
        $shrub = Term::query()->where('slug', 'shrubs')->value('id');
        foreach ([
            'a row of SQL' => fn () => DB::update("update items set fields = jsonb_set(fields, '{price}', '9') where slug = 'a'"),
            'terms taken away' => fn () => DB::delete("delete from item_term where item_id = (select id from items where slug = 'b')"),
            'terms given' => fn () => DB::insert("insert into item_term select (select id from terms where slug = 'hostas'), id from items where slug = 'b'"),
            'a term moved' => fn () => Term::query()->where('slug', 'hostas')->update(['parent_id' => $shrub]),
            'an item unpublished' => fn () => Item::query()->where('slug', 'c')->update(['status' => 'draft']),
            'an item added' => fn () => $this->plant(['title' => 'd', 'slug' => 'd', 'publish_at' => '2026-01-01', 'groups' => ['tree-ferns'], 'price' => 1]),
            'all deleted' => fn () => Item::query()->delete(),
        ] as $what => $write) {
            $this->assertSameNow($module, "before {$what}");
            $before = app(Remembered::class)->show($module, app(Contexts::class)->now());
            $write();
            app(\App\Content\CatalogueStore::class)->forget();
            $module = $this->module(array_intersect_key($module->toArray(), ['where' => 0]));
            $this->assertNotEquals($before->ids, $this->assertSameNow($module, $what), "{$what} changes the listing");
        }
    }

    public function test_items_appear_and_expire_at_their_instant(): void
    {
        $this->plantType();
        $this->plant(['title' => 'Now', 'slug' => 'now', 'publish_at' => '2026-01-01T00:00:00Z', 'expire_at' => '2026-06-03T00:00:00Z']);
        $this->plant(['title' => 'Soon', 'slug' => 'soon', 'publish_at' => '2026-06-02T00:00:00Z']);
        $module = $this->module();
        $titles = fn (string $at): array => Item::query()->findMany(app(Remembered::class)->show($module, app(Contexts::class)->at(new \DateTimeImmutable($at), new Viewer))->ids)->pluck('slug')->sort()->values()->all();
        foreach ([
            ['2026-06-01T23:59:59Z', ['now']], ['2026-06-02T00:00:00Z', ['now', 'soon']], ['2026-06-02T23:59:59Z', ['now', 'soon']],
            ['2026-06-03T00:00:00Z', ['soon']], ['2026-06-01T00:00:00Z', ['now']], ['2025-01-01T00:00:00Z', []],
        ] as [$at, $expected]) {
            $this->assertSame($expected, $titles($at), $at);
            $this->assertSame($expected, $titles($at), "{$at}, remembered");
        }
    }

    /** One rule after the other whose result changes by the clock alone, looked at just before and just after it does. */
    public function test_what_the_clock_brings_and_takes_is_right_at_the_very_second(): void
    {
        $this->plantType();
        $this->plant(['title' => 'A', 'slug' => 'a', 'publish_at' => '2026-01-01', 'watered' => '2026-03-29T12:00:00Z', 'sown' => '2026-03-29']);
        $this->plant(['title' => 'B', 'slug' => 'b', 'publish_at' => '2026-01-01']);
        foreach ([
            // Field, test, value; when it begins to hold, and the first second at which it holds no longer, by London's clock.
            ['watered', 'past', null, '2026-03-29T12:00:01Z', null], ['watered', 'toCome', null, null, '2026-03-29T12:00:01Z'],
            ['watered', 'inNext', ['amount' => 90, 'unit' => 'minutes'], '2026-03-29T10:30:00Z', '2026-03-29T12:00:01Z'],
            ['watered', 'inLast', ['amount' => 2, 'unit' => 'hours'], '2026-03-29T12:00:00Z', '2026-03-29T14:00:01Z'],
            // A day ahead of 13:00 in summer time is 13:00 in winter time, an hour more than 24 before.
            ['watered', 'inNext', ['amount' => 1, 'unit' => 'days'], '2026-03-28T13:00:00Z', '2026-03-29T12:00:01Z'],
            ['watered', 'current', 'day', '2026-03-29T00:00:00Z', '2026-03-29T23:00:00Z'], ['watered', 'current', 'week', '2026-03-23T00:00:00Z', '2026-03-29T23:00:00Z'],
            ['watered', 'previous', 'month', '2026-03-31T23:00:00Z', '2026-04-30T23:00:00Z'],
            ['sown', 'past', null, '2026-03-29T23:00:00Z', null], ['sown', 'toCome', null, null, '2026-03-29T23:00:00Z'],
            ['sown', 'inNext', ['amount' => 1, 'unit' => 'days'], '2026-03-28T00:00:00Z', '2026-03-29T23:00:00Z'],
            ['sown', 'following', 'year', '2025-01-01T00:00:00Z', '2026-01-01T00:00:00Z'],
        ] as [$field, $test, $value, $from, $until]) {
            $module = $this->module(['where' => ['all' => [['field' => $field, 'test' => $test] + ($value === null ? [] : ['value' => $value])]]]);
            $shows = fn (\DateTimeImmutable $at): int => app(Remembered::class)->show($module, app(Contexts::class)->at($at, new Viewer))->total;
            foreach ([[$from, 0, 1], [$until, 1, 0]] as [$moment, $before, $after]) {
                // Only what may be seen then can come or go.
                if ($moment !== null && $moment > '2026-01-02') {
                    $at = new \DateTimeImmutable($moment);
                    $said = "{$field} {$test} ".json_encode($value)." at {$moment}";
                    $this->assertSame([$before, $after], [$shows($at->modify('-1 second')), $shows($at)], $said);
                    $this->assertSame([$before, $after], [$shows($at->modify('-1 second')), $shows($at)], "{$said}, remembered");
                }
            }
        }
    }

    public function test_what_is_remembered_is_what_a_run_gives(): void
    {
        $this->plantType();
        $draw = new RandomModules(77);
        for ($n = 1; $n <= 25; $n++) {
            $this->plant(array_diff_key($draw->plant($n), ['picture' => 0, 'friends' => 0, 'keeper' => 0, 'author' => 0]));
        }
        $seeds = random_int(1, 1_000_000);
        for ($seed = $seeds; $seed < $seeds + 60; $seed++) {
            $module = app(ModuleStore::class)->read((new RandomModules($seed))->rules(25, plants: true));
            // From one moment to the next, days, weeks and hours apart, nothing is written and time alone changes what shows.
            for ($at = new \DateTimeImmutable('2026-03-27T22:30:00Z'), $step = 0; $step < 14; $at = $at->modify(['+1 second', '+29 minutes', '+3 hours', '+1 day', '+8 days'][$step % 5]), $step++) {
                $context = app(Contexts::class)->at($at, new Viewer(Audience::cases()[$seed % 3]));
                $run = app(Listing::class)->show($module, $context);
                foreach ([1, 2] as $time) {
                    $kept = app(Remembered::class)->show($module, $context);
                    $this->assertEquals($run, $kept, "seed {$seed}, step {$step}, time {$time}: ".json_encode($module->toArray()));
                }
            }
        }
    }

    public function test_a_transaction_that_is_rolled_back_leaves_no_mark(): void
    {
        $this->plantType();
        $marks = fn (): array => DB::table('content_counters')->orderBy('key')->pluck('mark', 'key')->all();
        $before = $marks();
        DB::beginTransaction();
        $this->plant(['title' => 'Gone']);
        $once = $marks();
        $this->assertNotSame($before, $once);
        DB::statement("set local wellspring.bulk = 'on'");
        $this->plant(['title' => 'Gone too']);
        $bulk = $marks();
        $this->assertNotSame($once, $bulk);
        $this->plant(['title' => 'And gone']);
        $this->assertSame($bulk, $marks(), 'a transaction of very many statements marks once');
        DB::rollBack();
        $this->assertSame($before, $marks());
        $this->assertSame(['taxonomy:groups', 'taxonomy:soils', 'type:plant'], array_keys($before));
    }

    private function assertSameNow(Module $module, string $what): \Wellspring\Core\Run\Result
    {
        $context = app(Contexts::class)->now();
        $kept = app(Remembered::class)->show($module, $context);
        $this->assertEquals(app(Listing::class)->show($module, $context)->ids, $kept->ids, $what);

        return $kept;
    }
}
