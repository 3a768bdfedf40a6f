<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Catalogue\Records;
use App\Database\PostgresArray;
use App\Listing\ContextFactory;
use App\Listing\Listing;
use App\Listing\Options;
use App\Models\Item;
use App\Models\Page;
use App\Models\User;
use App\Modules\ModuleStore;
use Illuminate\Support\Facades\DB;
use Tests\Support\Garden;
use Tests\Support\RandomModules;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Run\CountedRule;
use Wellspring\Core\Run\Steps;
use Wellspring\Core\Who\Viewer;

/**
 * What the bench tells beside the run itself — counts beside choices, gaps, the page — held against the plain rules.
 */
final class BenchAgreementTest extends TestCase
{
    private const NOW = '2026-06-01T12:00:00Z';

    /** @var list<Record> */
    private array $records;

    private int $drawn;

    protected function setUp(): void
    {
        parent::setUp();
        $this->plantType();
        $draw = new RandomModules($this->drawn = random_int(1, 1_000_000));
        $this->records = [];
        for ($n = 1; $n <= 50; $n++) {
            $this->records[] = Records::complete(
                $this->plant(
                    array_diff_key($draw->plant($n), ['picture' => 0, 'friends' => 0, 'keeper' => 0, 'author' => 0]),
                ),
            );
        }
    }

    /** @return list<Record> those that a signed-out visitor may see */
    private function candidates(): array
    {
        return array_values(array_filter(
            $this->records,
            fn (Record $record): bool => $record->status === Status::Published
            && $record->publishAt !== null && $record->publishAt <= self::NOW
            && ($record->expireAt === null || $record->expireAt > self::NOW)
            && $record->audience->admits(Viewer::signedOut()),
        ));
    }

    public function test_counts_beside_choices_are_those_of_the_records_that_reach_the_rule(): void
    {
        for ($seed = 1; $seed <= 40; $seed++) {
            $module = app(ModuleStore::class)->read((new RandomModules($seed))->rules(50, plants: true));
            $context = app(ContextFactory::class)->at(new \DateTimeImmutable(self::NOW), Viewer::signedOut());
            $steps = Steps::ofWhere($module->bound($context)->where);
            $names = array_map(fn (CountedRule $counted): string => (string) $counted->name, $steps);
            foreach ([...$names, 'after all'] as $before) {
                $reach = $this->candidates();
                foreach ($steps as $counted) {
                    if ((string) $counted->name === $before) {
                        break;
                    }
                    $reach = array_filter(
                        $reach,
                        fn (Record $record): bool => $counted->rule->keeps($record, $context),
                    );
                }
                foreach (['light', 'uses', 'groups', 'height', 'nickname', 'sown', 'watered'] as $key) {
                    $field = $module->type()->reachable[$key];
                    $values = array_filter(
                        array_map(fn (Record $record): mixed => $record->value($field), $reach),
                        fn (mixed $value): bool => $value !== null,
                    );
                    $options = app(Options::class)->of($module, $field, $before, $context);
                    $said = "records of seed {$this->drawn}, definition of seed {$seed}, {$key} before {$before}";
                    $this->assertSame(
                        [count($values), count($reach) - count($values)],
                        [$options['filled'], $options['empty']],
                        $said,
                    );
                    $expected = [];
                    foreach ($values as $value) {
                        foreach ($this->countedUnder($field->family(), $value) as $choice) {
                            $expected[$choice] = ($expected[$choice] ?? 0) + 1;
                        }
                    }
                    if ($field->family() !== Family::Text) {
                        $this->assertEquals($expected, $options['choices'], $said);
                    }
                    $this->assertSame(
                        in_array($field->family(), [Family::Number, Family::Date, Family::Instant], true)
                            ? count($values)
                            : 0,
                        array_sum(array_column($options['bars'], 'records')),
                        "every value is in one bar; {$said}",
                    );
                    $below = 0;
                    foreach ($options['bars'] as $bar) {
                        $below += $bar['records'];
                        // A day belongs to one bar; of a number, what lies on the end of a bar may stand in either.
                        $end = $bar['to'];
                        [$least, $most] = is_string($end)
                            ? array_fill(
                                0,
                                2,
                                count(
                                    array_filter(
                                        $values,
                                        fn (mixed $value): bool => is_string($value) && (
                                            $field->family() === Family::Date
                                                ? $value
                                                : $context->calendar->dayOf($value)
                                        ) <= $end,
                                    ),
                                ),
                            )
                            : [
                                count(
                                    array_filter($values, fn (mixed $value): bool => $value < $end - abs($end) * 1e-9),
                                ),
                                count(
                                    array_filter($values, fn (mixed $value): bool => $value <= $end + abs($end) * 1e-9),
                                ),
                            ];
                        $this->assertTrue(
                            $least <= $below && $below <= $most,
                            "{$below} up to {$end}, expected {$least} to {$most}; {$said}",
                        );
                    }
                    if ($field->family() === Family::Number) {
                        $bars = $options['bars'];
                        $this->assertEquals(
                            $values === [] ? [null, null] : [min($values), max($values)],
                            [$bars[0]['from'] ?? null, $bars[count($bars) - 1]['to'] ?? null],
                            $said,
                        );
                    }
                }
            }
        }
    }

    public function test_values_that_are_all_the_same_stand_in_one_bar_that_ends_where_they_do(): void
    {
        Item::query()->delete();
        $this->plant([
            'slug' => 'one',
            'title' => 'One',
            'publish_at' => '2026-01-01T00:00:00Z',
            'height' => 2.5,
            'sown' => '2026-05-01',
        ]);
        $this->plant([
            'slug' => 'two',
            'title' => 'Two',
            'publish_at' => '2026-01-01T00:00:00Z',
            'height' => 2.5,
            'sown' => '2026-05-01',
        ]);
        $module = Garden::module([]);
        $context = app(ContextFactory::class)->at(new \DateTimeImmutable(self::NOW), Viewer::signedOut());
        $bars = fn (string $key): array => app(Options::class)->of(
            $module,
            $module->type()->reachable[$key],
            'after all',
            $context,
        )['bars'];
        $this->assertEquals([['from' => 2.5, 'to' => 2.5, 'records' => 2]], $bars('height'));
        $this->assertEquals([['from' => '2026-05-01', 'to' => '2026-05-01', 'records' => 2]], $bars('sown'));
    }

    public function test_items_and_people_that_records_name_are_counted_under_their_names(): void
    {
        Item::query()->delete();
        foreach (['ada@example.org' => 'Ada', 'bo@example.org' => 'Bo'] as $email => $name) {
            User::query()->create(['name' => $name, 'email' => $email]);
        }
        $this->plant([
            'slug' => 'one',
            'title' => 'One',
            'publish_at' => '2026-01-01',
            'keeper' => 'ada@example.org',
            'author' => 'bo@example.org',
        ]);
        $this->plant([
            'slug' => 'two',
            'title' => 'Two',
            'publish_at' => '2026-01-01',
            'keeper' => 'ada@example.org',
            'friends' => ['one'],
        ]);
        $this->plant([
            'slug' => 'three',
            'title' => 'Three',
            'publish_at' => '2026-01-01',
            'friends' => ['two', 'one'],
            'price' => 3,
        ]);
        $this->plant([
            'slug' => 'four',
            'title' => 'Four',
            'status' => 'draft',
            'friends' => ['one'],
            'keeper' => 'bo@example.org',
        ]);
        $module = Garden::module(['where' => ['all' => [['field' => 'price', 'test' => 'empty']]]]);
        $context = app(ContextFactory::class)->at(new \DateTimeImmutable(self::NOW), Viewer::signedOut());
        $of = fn (string $key, string $before): array => array_intersect_key(
            app(Options::class)->of($module, $module->type()->reachable[$key], $before, $context),
            ['filled' => 0, 'empty' => 0, 'choices' => 0, 'labels' => 0],
        );
        $this->assertSame(
            [
                'filled' => 2,
                'empty' => 1,
                'choices' => ['plant/one' => 2, 'plant/two' => 1],
                'labels' => ['plant/one' => 'One', 'plant/two' => 'Two'],
            ],
            $of('friends', 'where.all[0]'),
        );
        $this->assertSame(
            ['filled' => 1, 'empty' => 1, 'choices' => ['plant/one' => 1], 'labels' => ['plant/one' => 'One']],
            $of('friends', 'after all'),
        );
        $this->assertSame(
            [
                'filled' => 2,
                'empty' => 1,
                'choices' => ['ada@example.org' => 2],
                'labels' => ['ada@example.org' => 'Ada'],
            ],
            $of('keeper', 'where.all[0]'),
        );
        $this->assertSame(
            ['filled' => 1, 'empty' => 2, 'choices' => ['bo@example.org' => 1], 'labels' => ['bo@example.org' => 'Bo']],
            $of('author', 'where.all[0]'),
        );
    }

    /** @return list<string> the choices a value counts for: a term for itself and all above it, each once */
    private function countedUnder(Family $family, mixed $value): array
    {
        $values = array_values(array_filter((array) $value, is_string(...)));
        if ($family === Family::Terms) {
            $terms = Garden::groups()->terms;
            $above = array_filter(
                $terms->all(),
                fn ($term): bool => array_intersect($terms->withBelow($term->slug), $values) !== [],
            );

            return array_values(array_map(fn ($term): string => $term->slug, $above));
        }

        return $family === Family::Choice || $family === Family::Choices ? $values : [];
    }

    public function test_gaps_are_counted_part_by_part_and_all_together(): void
    {
        for ($seed = 1; $seed <= 60; $seed++) {
            $module = app(ModuleStore::class)->read((new RandomModules($seed))->rules(50, plants: true));
            $context = app(ContextFactory::class)->at(new \DateTimeImmutable(self::NOW), Viewer::signedOut());
            $where = $module->bound($context)->where;
            $kept = array_filter(
                $this->candidates(),
                fn (Record $record): bool => (
                    $where?->keeps($record, $context) ?? true
                ) && ! in_array($record->slug, $module->leaveOut, true),
            );
            $parts = $module->card->fillable();
            $empty = app(Listing::class)->runWithGaps($module, $context, '1');
            foreach ($parts as $place => $part) {
                $this->assertSame(
                    count(
                        array_filter(
                            $kept,
                            fn (Record $record): bool => $part->value($record, Garden::cards($context)) === null,
                        ),
                    ),
                    $empty->emptyParts[$place],
                    "records of seed {$this->drawn}, definition of seed {$seed}, {$place}",
                );
            }
            $any = array_filter(
                $kept,
                fn (Record $record): bool => array_filter(
                    $parts,
                    fn ($part): bool => $part->value($record, Garden::cards($context)) === null,
                ) !== [],
            );
            $this->assertSame(
                count($any),
                $empty->emptyAny,
                "records of seed {$this->drawn}, definition of seed {$seed}",
            );
        }
    }

    /** There is one renderer of what visitors see: the bench's page is that page, to the letter. */
    public function test_the_bench_shows_the_page_that_visitors_get(): void
    {
        $this->actingAs($this->manager());
        $page = $this->pageAt('/garden', 'Garden');
        $store = app(ModuleStore::class);
        for ($seed = 1; $seed <= 12; $seed++) {
            $module = $store->read(['key' => 'drawn'] + (new RandomModules($seed))->rules(50, plants: true));
            $this->placeOn($page, $module);
            $site = (string) $this->get('/garden')->assertOk()->getContent();
            $bench = $this->postJson('/manage/api/bench/preview', ['definition' => $module->toArray()])
                ->assertOk()
                ->json('html');
            $main = fn (string $html): string => preg_match('~<main.*</main>~s', $html, $found) === 1 ? $found[0] : '';
            $this->assertNotSame('', $main($site));
            $this->assertSame($main($site), $main($bench), "seed {$seed}");
        }
    }

    /** Values stand in bindings only, so no value can be anything but a value. */
    public function test_hostile_values_stay_values(): void
    {
        $hostile = [
            "'; drop table items; --",
            '" or 1=1',
            '{a,b}',
            '\\',
            "x\\'; select 1",
            '%',
            '_',
            '{"a":1}',
            ':name',
            '?',
            '??',
            '$1',
            "a\u{2028}b",
        ];
        foreach ($hostile as $n => $text) {
            $this->plant([
                'title' => $text,
                'slug' => "hostile-{$n}",
                'nickname' => $text,
                'publish_at' => '2026-01-01',
            ]);
        }
        $this->assertSame(
            $hostile,
            array_column(DB::select('select unnest(?::text[]) as one', [PostgresArray::literal($hostile)]), 'one'),
        );
        foreach ($hostile as $n => $text) {
            foreach (['is', 'contains', 'begins', 'ends'] as $test) {
                $module = $this->module([
                    'where' => ['all' => [['field' => 'nickname', 'test' => $test, 'value' => $text]]],
                    'pin' => [$text],
                    'leaveOut' => [$text, "'"],
                ]);
                $ids = app(Listing::class)->run(
                    $module,
                    app(ContextFactory::class)->at(new \DateTimeImmutable(self::NOW), Viewer::signedOut()),
                )->ids();
                $this->assertContains(
                    Item::query()->where('slug', "hostile-{$n}")->value('id'),
                    $ids,
                    "{$test} {$text}",
                );
            }
            $this->actingAs($this->anyManager())
                ->getJson('/manage/api/items?type=plant&q='.urlencode($text))
                ->assertOk();
        }
        $this->assertSame(50 + count($hostile), Item::query()->count());
    }

    /** @param  array<string, mixed>  $rules */
    private function module(array $rules): Module
    {
        return app(ModuleStore::class)->read(
            $rules + [
                'format' => 1,
                'key' => 'plants',
                'name' => 'Plants',
                'source' => ['items' => ['plant']],
                'page' => ['size' => 200],
            ],
        );
    }

    private function anyManager(): User
    {
        return \App\Models\User::query()->first() ?? $this->manager();
    }
}
