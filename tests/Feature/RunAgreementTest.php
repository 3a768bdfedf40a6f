<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Catalogue\CatalogueStore;
use App\Catalogue\Records;
use App\Content\ItemWriter;
use App\Content\Types\TypeWriter;
use App\Database\PostgresArray;
use App\Listing\Compile\OrderSql;
use App\Listing\ContextFactory;
use App\Listing\Facets\FacetCounter;
use App\Listing\HeadingCounter;
use App\Listing\Listing;
use App\Listing\ModuleQuery;
use App\Listing\Paging\CachedCursors;
use App\Listing\Paging\KeysetPaginator;
use App\Listing\Paging\NeighbourFinder;
use App\Listing\Paging\RankFinder;
use App\Listing\Sources;
use App\Listing\Trace\StepCounter;
use App\Listing\Trace\Tracer;
use App\Models\Group;
use App\Models\Item;
use App\Models\Term;
use App\Models\User;
use App\Modules\Comparison;
use App\Modules\ModuleStore;
use Illuminate\Cache\ArrayStore;
use Illuminate\Cache\Repository;
use Illuminate\Support\Facades\DB;
use Tests\Support\Garden;
use Tests\Support\RandomModules;
use Tests\Support\Twice;
use Tests\Support\TwiceSql;
use Wellspring\Core\Choice\OfferedFilter;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\RecordKey;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Context\Choices;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Explain\Trace;
use Wellspring\Core\Filter\Test\Quantifier;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Paging\PagingMode;
use Wellspring\Core\Run\ReferenceFacets;
use Wellspring\Core\Run\ReferenceRun;
use Wellspring\Core\Run\Result;
use Wellspring\Core\Sort\Comparator;
use Wellspring\Core\Source\RecordsOf;
use Wellspring\Core\Text\Language;
use Wellspring\Core\Time\Calendar;
use Wellspring\Core\Who\Audience;
use Wellspring\Core\Wording\Format;

/**
 * The reference run and the run on PostgreSQL must agree on every input: same records, same order, same counts after
 * every step.
 */
final class RunAgreementTest extends TestCase
{
    private const SETS = 4;

    private const RECORDS = 60;

    private const DEFINITIONS = 20;

    public function test_both_runs_agree_on_drawn_definitions_and_records(): void
    {
        $this->addPlugins([Twice::class, TwiceSql::class]);
        $this->plantType();
        app(TypeWriter::class)->apply(Garden::toolFile());
        $this->people();
        $first = (int) (getenv('WELLSPRING_SEED') ?: random_int(1, 1_000_000_000));
        $reference = new ReferenceRun(new Comparator(config()->string('site.locale')), Garden::format());
        $listing = app(Listing::class);
        // The same, reaching all but the first places by key from known records.
        $byKeyset = new Listing(
            app(ModuleQuery::class),
            app(StepCounter::class),
            app(HeadingCounter::class),
            app(OrderSql::class),
            new KeysetPaginator(offsetLimit: 2, stride: 3),
        );
        $store = app(ModuleStore::class);
        $met = $chosen = 0;
        for ($set = 0; $set < self::SETS; $set++) {
            $records = $this->garden(new RandomModules($first + $set * 1000));
            $calendar = new Calendar(
                new \DateTimeZone(
                    ['Europe/London', 'America/St_Johns', 'Australia/Lord_Howe', 'Asia/Kathmandu'][$set % 4],
                ),
                [1, 7, 6][$set % 3],
                ['en-GB', 'fr-CA', 'de-DE', 'ja-JP'][$set % 4],
            );
            // More are drawn where few of them show something.
            $enough = ($set + 1) * self::DEFINITIONS / 6;
            for ($d = 0; $d < self::DEFINITIONS || $met <= $enough && $d < 3 * self::DEFINITIONS; $d++) {
                $draw = new RandomModules($first + $set * 1000 + $d + 1);
                $rules = $draw->rules(self::RECORDS);
                if ($d % 4 === 3 && isset($rules['source']['items'])) {
                    $rules['source'] = ['twice' => $rules['source']['items']];
                }
                $context = $draw->context(
                    array_values(
                        array_filter(
                            $records,
                            fn (Record $record): bool => in_array($record->type, ['plant', 'tool'], true),
                        ),
                    ),
                    $calendar,
                    app(Language::class),
                    $rules,
                );
                $said = "WELLSPRING_SEED={$first}, set {$set}, definition {$d}: "
                    .json_encode($rules, JSON_UNESCAPED_UNICODE)." at {$context->at()}";
                $module = $store->read($rules);
                $expected = $reference->run($module, $records, $context);
                $pages = $expected->pages;
                $seen = [];
                $cursors = new CachedCursors(new Repository(new ArrayStore), 'drawn', 0, null);
                for ($page = 1; $page <= $pages; $page++) {
                    $expected = $reference->run($module, $records, $context, $page);
                    $found = $listing->run($module, $context, (string) $page);
                    $this->assertEquals($expected, $found, $said);
                    $this->assertSame(
                        array_keys($expected->headings),
                        array_keys($found->headings),
                        "headings in order; {$said}",
                    );
                    $this->assertSame(
                        array_map(strval(...), $expected->keys),
                        array_map(
                            strval(...),
                            $byKeyset->show($module, $context, (string) $page, $cursors)->keys,
                        ),
                        "walked to page {$page}; {$said}",
                    );
                    array_push($seen, ...array_map(strval(...), $expected->keys));
                }
                $this->assertSame($seen, array_values(array_unique($seen)), "no record shows twice; {$said}");
                $this->assertCount($expected->total, $seen, $said);
                $this->assertNeverGrows($expected, $said);
                $this->assertSame($expected->total, $listing->total($module, $context), $said);
                $d % 4 === 0 && $this->assertNeighbours($module, $context, $seen, intdiv($d, 4), $said);
                $this->assertTraced(
                    $module,
                    $this->asked($module, $records, $d, $context),
                    $seen,
                    $context,
                    $said,
                );
                $this->assertSame(
                    $module->toArray(),
                    $store->read($module->toArray())->toArray(),
                    "a definition is read as it is written; {$said}",
                );
                $this->assertFacets($module, $records, $context, $d, $said);
                $met += $expected->total > 0 ? 1 : 0;
                $chosen += $module->bound($context)->chosen->rule() === null ? 0 : 1;
            }
        }
        $this->assertGreaterThan(
            self::SETS * self::DEFINITIONS / 6,
            $met,
            'many drawn definitions show something, or the comparison says little',
        );
        $this->assertGreaterThan(self::SETS * self::DEFINITIONS / 10, $chosen, 'many visitors have chosen something');
    }

    /**
     * One record is drawn: what is listed right before and right after it stands before and after it.
     *
     * @param  list<string>  $seen  the keys of all that the module shows
     */
    private function assertNeighbours(Module $module, Context $context, array $seen, int $d, string $said): void
    {
        $ids = array_map(fn (string $key): int => RecordKey::parse($key)->id, $seen);
        $id = $d % 5 === 0 ? Item::query()->orderBy('id')->skip($d)->value('id') : $ids[$d % max(1, count($ids))] ?? 0;
        $at = array_search($id, $ids, true);
        $next = $at === false ? null : $at + 1;
        // One that stands more than once is no neighbour of its own.
        while ($next !== null && ($ids[$next] ?? null) === $id) {
            $next++;
        }
        $this->assertSame(
            ['previous' => $at === false ? null : $seen[$at - 1] ?? null, 'next' => $seen[$next ?? -1] ?? null],
            array_map(
                fn (?RecordKey $key): ?string => $key === null ? null : (string) $key,
                app(NeighbourFinder::class)->of($module, (int) $id, $context),
            ),
            "neighbours of {$id}; {$said}",
        );
    }

    /**
     * What the filters offer is counted alike; and one option or bar, drawn and chosen, lists as many as were counted.
     *
     * @param  list<Record>  $records
     */
    private function assertFacets(Module $module, array $records, Context $context, int $d, string $said): void
    {
        $bound = $module->bound($context);
        $expected = (new ReferenceFacets(Garden::format()))->of($module, $records, $context);
        $found = app(FacetCounter::class)->of($bound, $context, $bound->offer->filters ?? []);
        foreach ($expected as $i => $facet) {
            $name = "{$facet->filter->name} as {$facet->filter->control->key()}; {$said}";
            $this->assertEquals($facet->toArray(), $found[$i]->toArray(), "what can be chosen of {$name}");
            $this->assertSame($facet->left, $found[$i]->left, "without {$name}");
            $facet->chosen !== null || $this->assertSame(
                app(Listing::class)->total($module, $context),
                $bound->total($found[$i]->left),
                "nothing chosen of it, as many as are listed; {$name}",
            );
            // One asked alone tells the same: the others are then known from before.
            ($d + $i) % 4 > 0 || $this->assertEquals(
                $facet->toArray(),
                app(FacetCounter::class)->of($bound, $context, [$facet->filter])[0]->toArray(),
                "asked alone, {$name}",
            );
            $options = $facet->options();
            $option = $options[$d % max(1, count($options))] ?? null;
            if ($option !== null && ($d + $i) % 2 === 0) {
                $with = $facet->filter->join === Quantifier::All ? $facet->chosen->options ?? [] : [];
                $this->assertSame(
                    $option->count,
                    $this->listedWith($module, $facet->filter, implode(',', [...$with, $option->value]), $context),
                    "as many as {$option->value} says; {$name}",
                );
            }
        }
    }

    /** How many are listed, all that were skipped or too many included, when one filter is chosen otherwise. */
    private function listedWith(Module $module, OfferedFilter $filter, string $value, Context $context): int
    {
        $parameters = ["mine-{$filter->name}" => $value] + $module->bound($context)->chosen->parameters()
            + array_filter(['q' => $context->choices->value('q')]);
        $definition = ['skip' => 0, 'page' => ['size' => 5]] + $module->toArray();
        unset($definition['atMost']);

        return app(Listing::class)->total(
            app(ModuleStore::class)->read($definition),
            $context->with(choices: Choices::fromAddress($parameters)),
        );
    }

    private function people(): void
    {
        foreach (['gardeners' => 'Gardeners', 'journal' => 'The journal'] as $key => $name) {
            Group::query()->create(['key' => $key, 'name' => $name]);
        }
        foreach (RandomModules::PEOPLE as $i => $email) {
            $person = User::query()->create([
                'name' => ['Ada Fern', 'Bo Ånd', 'Cy'][$i],
                'email' => $email,
                'active' => $i !== 2,
            ]);
            $person->groups()->sync(Group::query()->orderBy('id')->limit($i)->pluck('id'));
        }
        app(CatalogueStore::class)->forget();
    }

    /** @return list<Record> all that the site has: plants, tools, terms and people */
    private function garden(RandomModules $draw): array
    {
        Item::query()->delete();
        $types = app(CatalogueStore::class)->catalogue()->types;
        for ($n = 1; $n <= self::RECORDS; $n++) {
            $item = $n % 5 === 0
                ? app(ItemWriter::class)->create(
                    $types['tool'],
                    (new ItemReader($types['tool']))->fromValues(['friends' => null] + $draw->tool($n)),
                )
                : $this->plant(array_diff_key(self::known($draw->plant($n)), ['picture' => 0]));
            foreach (array_unique($draw->days()) as $day) {
                DB::table('item_views')->insert(['item_id' => $item->id, 'day' => $day, 'views' => $n % 7 + 1]);
            }
            DB::table('items')->where('id', $item->id)->update(['position' => $n % 3 === 0 ? $n % 11 : null]);
            DB::table('item_term')->where('item_id', $item->id)->update(['position' => $n % 2 === 0 ? $n % 9 : null]);
        }
        $records = array_values(Item::query()->orderBy('id')->get()->map(Records::complete(...))->all());
        foreach (Garden::taxonomies() as $taxonomy) {
            $place = 0;
            foreach ($taxonomy->terms->asTree() as ['term' => $term]) {
                $records[] = new Record(
                    (int) Term::query()->where('taxonomy_key', $taxonomy->key)->where('slug', $term->slug)->value('id'),
                    "terms of {$taxonomy->key}",
                    $term->slug,
                    $term->name,
                    Status::Published,
                    '0001-01-01T00:00:00Z',
                    null,
                    Audience::everyone(),
                    ['place' => ++$place],
                );
            }
        }

        return [...$records, ...array_values(User::query()->with('groups')->get()->map(Records::person(...))->all())];
    }

    /**
     * @param  array<string, mixed>  $plant
     * @return array<string, mixed> without friends that are not there: every fifth is a tool
     */
    private static function known(array $plant): array
    {
        $friends = array_values(
            array_filter(
                (array) $plant['friends'],
                fn (mixed $slug): bool => is_string($slug) && (int) substr(
                    $slug,
                    6,
                ) % 5 !== 0 && $slug !== $plant['slug'],
            ),
        );

        return ['friends' => $friends === [] ? null : $friends] + $plant;
    }

    /**
     * Some records to ask about.
     *
     * @param  list<Record>  $records
     * @return list<Record>
     */
    private function asked(Module $module, array $records, int $from, Context $context): array
    {
        if ($module->source->recordsOf() !== RecordsOf::Items) {
            return $this->allOfKind($module, $records, $context);
        }
        $some = array_slice($records, $from % (self::RECORDS - 4), 4);

        return $module->source->hasOccurrences() ? array_merge(...array_map(Twice::occurrences(...), $some)) : $some;
    }

    /**
     * Terms, people or months by their slugs, whether the module takes them or not.
     *
     * @param  list<Record>  $records
     * @return list<Record>
     */
    private function allOfKind(Module $module, array $records, Context $context): array
    {
        $slugs = array_map(
            fn (Record $record): string => $record->slug,
            array_filter($records, fn (Record $record): bool => $module->source->accepts($record->type)),
        );

        return array_values(
            array_filter(
                array_map(
                    fn (string $slug): ?Record => app(Sources::class)->record($module->source, $slug, $context),
                    $slugs !== [] ? array_unique($slugs) : ['2026-03', '2026', '2025-12', '1999', '1998-07'],
                ),
            ),
        );
    }

    /**
     * Where a record stands is where the run shows it, and one that it does not show has a reason.
     *
     * @param  list<Record>  $records
     * @param  list<string>  $seen  keys of all that the run shows, in order
     */
    private function assertTraced(Module $module, array $records, array $seen, Context $context, string $said): void
    {
        foreach ($records as $record) {
            $at = array_search((string) $record->key(), $seen, true);
            $this->assertSame(
                $at === false ? null : $at + 1,
                $module->bound($context)->place(app(RankFinder::class)->rank($module, $record->key(), $context)),
                "the place of {$record->slug}; {$said}",
            );
            $trace = Trace::of($module, $record, $context, app(Format::class));
            if ($at !== false) {
                $this->assertSame([], $trace->reasons(), "{$record->slug} shows; {$said}");
                $hypothetical = app(RankFinder::class)->hypotheticalRank($module, $record->key(), $context);
                $this->assertSame(
                    $at + 1,
                    $module->bound($context)->place($hypothetical),
                    "it would stand where it does; {$said}",
                );
            } elseif ($trace->passes()) {
                $this->assertTrue(
                    $module->skip > 0 || $module->atMost !== null || $module->page->mode === PagingMode::Fixed,
                    "{$record->slug} does not show and nothing is said; {$said}",
                );
            }
        }
    }

    /** Worked by hand: two items, each twice, by title: A at 8:00, A a day later, B at 9:00, B a day later. */
    public function test_a_record_that_stands_twice_is_paged_pinned_and_traced_by_its_occurrences(): void
    {
        $this->addPlugins([Twice::class, TwiceSql::class]);
        $this->plantType();
        $a = $this->plant(['title' => 'A', 'publish_at' => '2026-03-01T08:00:00Z']);
        $b = $this->plant(['title' => 'B', 'publish_at' => '2026-03-01T09:00:00Z']);
        $context = app(ContextFactory::class)->now();
        $keys = [
            "plant:{$a->id}@2026-03-01T08:00:00Z", "plant:{$a->id}@2026-03-02T08:00:00Z",
            "plant:{$b->id}@2026-03-01T09:00:00Z", "plant:{$b->id}@2026-03-02T09:00:00Z",
        ];
        $rules = [
            'format' => 1, 'key' => 'twice', 'name' => 'Twice', 'source' => ['twice' => ['plant']],
            'order' => [['by' => 'title']], 'page' => ['size' => 3],
        ];
        $page = fn (array $more, string $page): array => array_map(
            strval(...),
            app(Listing::class)->run(app(ModuleStore::class)->read($more + $rules), $context, $page)->keys,
        );
        $this->assertSame([[$keys[0], $keys[1], $keys[2]], [$keys[3]]], [$page([], '1'), $page([], '2')]);
        $this->assertSame([$keys[2], $keys[3], $keys[0]], $page(['pin' => [$b->slug]], '1'));

        $trace = fn (?string $start): array => app(Tracer::class)
            ->item(app(ModuleStore::class)->read($rules), $b, $context, $start)
            ->toArray();
        $this->assertSame([3, '2026-03-01T09:00:00Z'], [$trace(null)['place'], $trace(null)['start'] ?? null]);
        $this->assertSame(4, $trace('2026-03-02T09:00:00Z')['place']);
        $shift = app(Comparison::class)->of(
            app(ModuleStore::class)->read(['atMost' => 3] + $rules),
            app(ModuleStore::class)->read($rules),
            $context,
        );
        $this->assertSame([1, $keys[3]], [$shift['comes'], $shift['pages'][1]['rows'][0]['key']]);
    }

    private function assertNeverGrows(Result $result, string $said): void
    {
        $before = PHP_INT_MAX;
        foreach ($result->steps as $step) {
            if ((string) $step->name !== 'total') {
                $this->assertLessThanOrEqual($before, $step->left, "{$step->name}; {$said}");
                $before = $step->left;
            }
        }
    }

    /** ICU's collation, by two programs that carry it: PHP's Collator through its sort keys, and PostgreSQL. */
    public function test_text_sorts_alike_in_icu_and_in_the_database(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(20261123));
        $texts = [];
        for ($i = 0; $i < 400; $i++) {
            $text = '';
            for ($c = $random->getInt(1, 5); $c > 0; $c--) {
                $from = [
                    [0x21, 0x7E],
                    [0xA1, 0x17F],
                    [0x300, 0x36F],
                    [0x391, 0x3C9],
                    [0x410, 0x44F],
                    [0x30, 0x39],
                    [0x4E00, 0x4E40],
                    [0x1F330, 0x1F340],
                ][$random->getInt(0, 7)];
                $text .= mb_chr($random->getInt($from[0], $from[1]));
            }
            $texts[] = $text;
        }
        $collator = new \Collator(Comparator::icuLocale('en-GB'));
        $keys = array_map(fn (string $text): string => (string) $collator->getSortKey($text), $texts);
        array_multisort($keys, SORT_STRING, $texts, SORT_STRING);

        $placed = DB::select(
            'select dense_rank() over (order by t collate wellspring_text) as place from unnest(?::text[]) with '
                .'ordinality as given(t, n) order by n',
            [PostgresArray::literal($texts)],
        );
        $place = 0;
        $before = null;
        foreach ($keys as $i => $key) {
            $place += $key === $before ? 0 : 1;
            $before = $key;
            $this->assertSame($place, (int) $placed[$i]->place, "the place of “{$texts[$i]}”");
        }
    }
}
