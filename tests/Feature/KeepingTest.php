<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Catalogue\CatalogueStore;
use App\Models\Change;
use App\Models\Group;
use App\Models\Item;
use App\Models\Media;
use App\Models\Revision;
use App\Models\Term;
use App\Models\User;
use App\Modules\ModuleStore;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\Support\Garden;

/** Nothing that was saved is lost: revisions, two people at once, drafts, edits of many, terms that merge and go. */
final class KeepingTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->plantType();
        $this->actingAs($this->manager());
    }

    /**
     * @param  array<string, mixed>  $values
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function save(Item $item, int $revision, array $values): TestResponse
    {
        return $this->putJson("/manage/api/items/{$item->id}", ['revision' => $revision, 'values' => $values]);
    }

    public function test_every_save_is_kept_side_by_side_and_any_comes_back(): void
    {
        $item = $this->plant(['title' => 'Fern', 'price' => 4, 'groups' => ['ferns'], 'text' => '<p>Green.</p>']);
        $this->save($item, 1, ['price' => 5, 'light' => 'shade', 'groups' => ['hostas']])->assertOk();
        $this->save($item, 2, ['text' => '<p>Very <b>green</b>.</p>'])->assertOk();
        $saves = $this->getJson("/manage/api/items/{$item->id}/revisions")->assertOk()->json();
        $this->assertSame([3, 2, 1], array_column($saves, 'number'));
        $this->assertSame(['Marigold', 'saved', 'made'], [$saves[0]['by'], $saves[0]['how'], $saves[2]['how']]);
        $this->assertSame(
            [['field' => 'text', 'label' => 'Text', 'before' => 'Green.', 'after' => 'Very green.']],
            $saves[0]['changed'],
        );
        $this->assertSame(
            [
                ['Price', '4', '5'],
                ['Light', '', 'Shade'],
                ['Plant groups', 'Perennials > Ferns', 'Perennials > Hostas'],
            ],
            array_map(fn (array $one): array => [$one['label'], $one['before'], $one['after']], $saves[1]['changed']),
        );
        $this->postJson("/manage/api/items/{$item->id}/revisions/1", ['revision' => 2])
            ->assertConflict()
            ->assertJson(['revision' => 3]);
        $this->postJson("/manage/api/items/{$item->id}/revisions/1", ['revision' => 3])
            ->assertOk()
            ->assertJson([
                'revision' => 4,
                'values' => ['price' => 4, 'light' => null, 'groups' => ['ferns'], 'text' => '<p>Green.</p>'],
            ]);
        $this->assertSame(
            'brought back revision 1',
            Revision::query()->where('item_id', $item->id)->where('number', 4)->firstOrFail()->how,
        );
        $this->postJson("/manage/api/items/{$item->id}/revisions/9", ['revision' => 4])->assertNotFound();
        $this->save($item, 4, ['price' => 4.0, 'groups' => ['ferns']])->assertOk()->assertJson(['revision' => 4]);
    }

    public function test_the_second_of_two_who_change_a_type_a_taxonomy_or_a_term_is_told(): void
    {
        $type = Garden::plantFile();
        $type['properties']['hue'] = ['title' => 'Hue', 'type' => 'string', 'x-wellspring' => ['kind' => 'text']];
        $taxonomy = ['format' => 1, 'key' => 'soils', 'label' => 'Soil', 'tree' => true];
        $ferns = Term::query()->where('slug', 'ferns')->firstOrFail()->id;
        foreach ([
            ['/types', '/types/plant', ['file' => $type], ['file' => Garden::plantFile()]],
            ['/taxonomies', null, ['file' => $taxonomy], ['file' => ['label' => 'Earths'] + $taxonomy]],
            ["/terms/{$ferns}", "/terms/{$ferns}", ['term' => ['name' => 'A']], ['term' => ['name' => 'B']]],
        ] as [$to, $from, $first, $second]) {
            $read = fn (): mixed => $from === null
                ? collect((array) $this->getJson('/manage/api/taxonomies')->json())->firstWhere('key', 'soils')
                : $this->getJson("/manage/api{$from}")->assertOk()->json();
            $seen = $read()['revision'];
            $put = fn (array $body): TestResponse => $this->putJson("/manage/api{$to}", $body);
            $put(['revision' => $seen] + $first)->assertOk();
            $now = $read();
            $this->assertSame($seen + 1, $now['revision']);
            $put(['revision' => $seen] + $second)->assertConflict()->assertJson(['revision' => $seen + 1]);
            $put($second)->assertUnprocessable()->assertJsonPath('problems.0.path', 'revision');
            $this->assertSame($now, $read(), 'the first change stays whole');
            $put(['revision' => $seen + 1] + $second)->assertOk();
        }
    }

    public function test_an_author_who_brings_back_an_earlier_state_keeps_the_item(): void
    {
        $author = User::query()->create([
            'name' => 'Osric', 'email' => 'o@example.org', 'password' => 'a long password', 'role' => 'author',
        ])->refresh();
        $item = $this->plant(['title' => 'Fern', 'author' => 'm@example.org']);
        $this->save($item, 1, ['author' => 'o@example.org'])->assertOk();
        $this->actingAs($author)
            ->postJson("/manage/api/items/{$item->id}/revisions/1", ['revision' => 2])
            ->assertOk()
            ->assertJsonPath('values.author', 'o@example.org');
        $this->assertSame($author->id, $item->refresh()->author_id);
    }

    public function test_an_item_that_came_by_another_way_is_kept_as_it_was_before_it_is_written_over(): void
    {
        DB::statement(
            "insert into items (type_key, slug, title, publish_at, fields, folded) values ('plant', 'fern', 'Fern', "
                ."now(), '{\"price\": 4}', '{\"title\": \"fern\"}')",
        );
        $item = Item::query()->firstOrFail();
        $this->save($item, 1, ['price' => 9])->assertOk();
        $this->assertSame(
            ['saved', 'as it was'],
            array_column((array) $this->getJson("/manage/api/items/{$item->id}/revisions")->json(), 'how'),
        );
        $this->postJson("/manage/api/items/{$item->id}/revisions/1", ['revision' => 2])
            ->assertOk()
            ->assertJson(['values' => ['price' => 4]]);
    }

    public function test_links_are_written_over_and_terms_that_the_type_does_not_have_stay(): void
    {
        foreach (['a', 'b', 'c'] as $slug) {
            $this->plant(['title' => $slug, 'slug' => $slug]);
        }
        $item = $this->plant(['title' => 'Fern', 'friends' => ['a', 'b'], 'groups' => ['ferns']]);
        $loam = Term::query()->where('taxonomy_key', 'soils')->firstOrFail();
        DB::table('item_term')->insert(['item_id' => $item->id, 'term_id' => $loam->id]);
        $this->save($item, 1, ['friends' => ['c', 'a'], 'groups' => ['shrubs']])->assertOk();
        $this->assertSame(['c', 'a'], DB::table('item_links')->join('items', 'items.id', '=', 'target_id')
            ->where('item_id', $item->id)->orderBy('item_links.position')->pluck('slug')->all());
        $this->assertEqualsCanonicalizing(['shrubs', $loam->slug], $item->terms()->pluck('slug')->all());
        $this->assertEqualsCanonicalizing($item->terms()->pluck('terms.id')->all(), $item->refresh()->term_ids);
    }

    public function test_two_people_saving_are_brought_together_knowingly(): void
    {
        $item = $this->plant(['title' => 'Fern', 'price' => 4, 'nickname' => 'Lady']);
        $this->save($item, 1, ['price' => 5, 'nickname' => 'Theirs'])->assertOk();
        $mine = $this->save($item, 1, ['price' => 4, 'nickname' => 'Mine', 'light' => 'sun'])->assertConflict();
        $mine->assertJson([
            'revision' => 2,
            'saves' => [['by' => 'Marigold']],
            'conflicts' => [['field' => 'nickname', 'theirs' => 'Theirs', 'mine' => 'Mine']],
        ]);
        $this->assertSame(['Price', 'Nickname'], array_column($mine->json('theirs'), 'label'));
        $this->assertEquals(
            [5, 'Mine', 'sun'],
            [$mine->json('merged.price'), $mine->json('merged.nickname'), $mine->json('merged.light')],
            'of each field the one that was changed',
        );
        $this->assertEquals(
            ['price' => 5, 'nickname' => 'Theirs'],
            $item->refresh()->fields,
            'and nothing was written yet',
        );
        $this->save($item, 2, $mine->json('merged'))->assertOk();
        $this->assertEquals(['price' => 5, 'nickname' => 'Mine', 'light' => 'sun'], $item->refresh()->fields);
    }

    public function test_drafts_keep_themselves_for_each_person_and_go_with_the_save(): void
    {
        $item = $this->plant(['title' => 'Fern']);
        $keep = fn (?int $id, array $values) => $this->putJson(
            '/manage/api/items/draft',
            ['type' => 'plant', 'id' => $id, 'revision' => 1, 'values' => $values],
        );
        $keep($item->id, ['title' => '', 'price' => 'not yet a number'])->assertOk();
        $keep($item->id, ['title' => 'Ferns'])->assertOk();
        $keep(null, ['title' => 'New'])->assertOk();
        $this->getJson("/manage/api/items/{$item->id}")->assertJson([
            'title' => 'Fern',
            'draft' => ['values' => ['title' => 'Ferns']],
        ]);
        $this->getJson('/manage/api/items/new/plant')->assertJson(['draft' => ['values' => ['title' => 'New']]]);
        $other = User::query()->create([
            'name' => 'Osric',
            'email' => 'o@example.org',
            'password' => 'a long password',
            'role' => 'manager',
        ]);
        $this->actingAs($other)->getJson("/manage/api/items/{$item->id}")->assertJson(['draft' => null]);
        $this->actingAs(User::query()->where('email', 'm@example.org')->firstOrFail());
        $this->save($item, 1, ['title' => 'Ferns'])->assertJson(['draft' => null]);
        $this->getJson("/manage/api/items/{$item->id}")->assertJson(['draft' => null]);
        $this->deleteJson('/manage/api/items/draft', ['type' => 'plant', 'id' => null])->assertOk();
        $this->assertSame(0, DB::table('item_drafts')->count());
    }

    public function test_many_are_edited_at_once_and_it_comes_back(): void
    {
        $items = [];
        for ($n = 0; $n < 6; $n++) {
            $items[] = $this->plant([
                'title' => "Plant {$n}",
                'price' => $n,
                'groups' => $n < 3 ? ['ferns'] : ['hostas'],
                'status' => $n === 5 ? 'draft' : 'published',
                'friends' => $n === 1 ? ['plant-0'] : null,
            ]);
        }
        $many = fn (string $do, array $with = [], array $of = []) => $this->postJson(
            '/manage/api/items/many',
            ['type' => 'plant', 'do' => $do, 'with' => $with] + (
                $of === []
                    ? ['query' => ['where' => ['all' => [['field' => 'price', 'test' => 'lt', 'value' => 4]]]]]
                    : $of
            ),
        );
        $undo = fn (int $change) => $this->postJson("/manage/api/changes/{$change}/undo")->assertOk();
        $state = fn (): array => Item::query()
            ->with(Item::whole())
            ->orderBy('id')
            ->get()
            ->map(
                fn (Item $item): array => [
                    $item->id,
                    $item->slug,
                    $item->status,
                    $item->fields,
                    $item->terms->pluck('slug')->all(),
                    $item->links->pluck('target_id')->all(),
                    $item->publish_at?->toIso8601String(),
                ],
            )
            ->all();
        $before = $state();

        $change = $many('unpublish')->assertJson(['done' => 4])->json('change');
        $this->assertSame(5, Item::query()->where('status', 'draft')->count());
        $undo($change)->assertJson(['undone' => 4, 'left' => []]);
        $this->assertEquals($before, $state());

        $change = $many('addTerms', ['taxonomy' => 'groups', 'terms' => ['ferns', 'shrubs']])
            ->assertJson(['done' => 4])
            ->json('change');
        $this->assertSame(
            ['ferns', 'hostas', 'shrubs'],
            $items[3]->refresh()->terms->pluck('slug')->sort()->values()->all(),
        );
        $undo($change);
        $this->assertEquals($before, $state());
        $undo(
            $many('removeTerms', ['taxonomy' => 'groups', 'terms' => ['ferns']])
                ->assertJson(['done' => 3])
                ->json('change'),
        );
        $undo(
            $many('set', ['values' => ['light' => 'sun']], ['ids' => [$items[0]->id, $items[5]->id]])
                ->assertJson(['done' => 2])
                ->json('change'),
        );
        foreach ([
            ['lead' => true], ['audience' => ['members']], ['author' => User::query()->firstOrFail()->email],
            ['publish_at' => '2026-01-02T09:00:00Z'], ['expire_at' => '2099-01-02T09:00:00Z'],
        ] as $values) {
            $key = (string) array_key_first($values);
            $change = $many('set', ['values' => $values])->assertJson(['done' => 4])->json('change');
            $shown = $this->getJson("/manage/api/items/{$items[2]->id}")->assertOk()->json('values');
            $this->assertEquals(array_values($values)[0], $shown[$key], $key);
            $undo($change);
        }
        $many('set', ['values' => ['light' => 'moon']])
            ->assertJson(['done' => 0])
            ->assertJsonPath('left.0', '“Plant 0”: light: expected one of sun, half-shade, shade, found “moon”.');

        DB::table('item_links')->insert([
            ['item_id' => $items[5]->id, 'field' => 'friends', 'position' => 0, 'target_id' => $items[2]->id],
            ['item_id' => $items[0]->id, 'field' => 'friends', 'position' => 0, 'target_id' => $items[2]->id],
        ]);
        $before = $state();
        $change = $many('delete')->assertJson(['done' => 4])->json('change');
        $this->assertSame(2, Item::query()->count());
        $this->plant(['title' => 'In the way', 'slug' => 'plant-3']);
        $undo($change)
            ->assertJson(['undone' => 3])
            ->assertJsonPath(
                'left.0',
                '“Plant 3”: slug: “plant-3” is taken by “In the way”; expected a slug that no other Plant has.',
            );
        Item::query()->where('title', 'In the way')->delete();
        unset($before[3]);
        $this->assertEquals(array_values($before), $state(), 'under the ids that they had');

        $change = $many('publish', [], ['ids' => [$items[5]->id]])->json('change');
        $this->save($items[5]->refresh(), $items[5]->revision, ['price' => 50])->assertOk();
        $undo($change)->assertJson(['undone' => 0])->assertJsonPath('left.0', '“Plant 5” was changed again since.');
        $many('addTerms', ['taxonomy' => 'groups', 'terms' => ['cacti']])->assertUnprocessable();
        $many('publish', [], ['ids' => []])->assertUnprocessable();
        $many(
            'publish',
            [],
            ['query' => ['where' => ['all' => [['field' => 'none', 'test' => 'filled']]]]],
        )->assertUnprocessable();
        $this->assertGreaterThan(6, Change::query()->count());
    }

    public function test_terms_merge_move_and_go_and_their_items_and_modules_follow(): void
    {
        $id = fn (string $slug): int => Term::query()
            ->where('taxonomy_key', 'groups')
            ->where('slug', $slug)
            ->firstOrFail()->id;
        foreach ([
            'a' => ['ferns'], 'b' => ['tree-ferns'], 'c' => ['hostas', 'ferns'], 'd' => ['hostas'],
            'e' => ['shrubs'],
        ] as $title => $groups) {
            $this->plant(['title' => $title, 'groups' => $groups]);
        }
        $store = app(ModuleStore::class);
        $store->publish(
            $store->apply(
                Garden::module([
                    'where' => [
                        'all' => [[
                            'field' => 'groups',
                            'test' => 'anyOf',
                            'value' => ['hostas', 'ferns'],
                            'below' => true,
                        ]],
                    ],
                ]),
            ),
        );
        $rows = fn (): array => (array) $this->getJson('/manage/api/taxonomies/groups/terms')->json();
        $terms = fn (): array => array_map(
            fn (array $one): array => [$one['items'], $one['withBelow']],
            array_column($rows(), null, 'slug'),
        );
        $named = fn (): mixed => data_get($store->find('plants'), 'live.where.all.0.value');
        $this->assertSame(
            ['perennials' => [0, 4], 'ferns' => [2, 3], 'tree-ferns' => [1, 1], 'hostas' => [2, 2], 'shrubs' => [1, 1]],
            $terms(),
            'an item of two below counts once',
        );
        $before = $terms();

        $change = $this->postJson(
            '/manage/api/terms/merge',
            ['into' => $id('hostas'), 'terms' => [$id('ferns'), $id('hostas')]],
        )
            ->assertOk()
            ->json('change');
        $this->assertSame(
            ['perennials' => [0, 4], 'tree-ferns' => [1, 1], 'hostas' => [3, 4], 'shrubs' => [1, 1]],
            array_replace(array_flip(['perennials', 'tree-ferns', 'hostas', 'shrubs']), $terms()),
        );
        $this->assertSame(['hostas'], $named());
        $item = Item::query()->where('title', 'a')->firstOrFail();
        $this->assertSame(
            ['Plant groups', 'ferns', 'Perennials > Hostas'],
            array_values(
                array_slice($this->getJson("/manage/api/items/{$item->id}/revisions")->json('0.changed.0'), 1),
            ),
            'the item tells of it',
        );
        $this->postJson("/manage/api/changes/{$change}/undo")->assertOk()->assertJson(['undone' => 2, 'left' => []]);
        $this->assertEquals($before, $terms());
        $this->assertSame(['hostas', 'ferns'], $named());

        $change = $this->deleteJson('/manage/api/terms/'.$id('ferns'))->assertOk()->json('change');
        $this->assertSame(
            $id('perennials'),
            Term::query()->where('slug', 'tree-ferns')->firstOrFail()->parent_id,
            'what is below goes up',
        );
        $this->postJson("/manage/api/changes/{$change}/undo")->assertOk();
        $this->assertEquals($before, $terms());
        $this->assertSame($id('ferns'), Term::query()->where('slug', 'tree-ferns')->firstOrFail()->parent_id);

        $move = fn (string $slug, ?string $under, int $position) => $this->postJson(
            '/manage/api/terms/'.$id($slug).'/move',
            ['parent' => $under === null ? null : $id($under), 'position' => $position],
        );
        $move('perennials', 'tree-ferns', 0)
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.message', '“Perennials” cannot stand below itself.');
        $move('ferns', 'shrubs', 0)->assertOk();
        $this->assertSame([1, 4], $terms()['shrubs'], 'with all below it');
        $move('shrubs', null, 0)->assertOk();
        $this->assertSame(
            'shrubs',
            array_values(array_filter($rows(), fn (array $one): bool => $one['parent'] === null))[0]['slug'],
        );

        $this->putJson(
            '/manage/api/terms/'.$id('hostas'),
            [
                'revision' => $this->revision('terms', $id('hostas')),
                'term' => [
                    'name' => 'Plantain lilies',
                    'slug' => 'plantain-lilies',
                    'description' => '<p onclick="x()">Leafy<script>1</script></p>',
                    'colour' => '#0F0',
                ],
            ],
        )
            ->assertOk()->assertJson(['description' => '<p>Leafy</p>', 'colour' => '#00ff00']);
        $this->assertSame(['plantain-lilies', 'ferns'], $named(), 'modules follow a new slug');
        $this->putJson('/manage/api/terms/'.$id('ferns'), [
            'revision' => $this->revision('terms', $id('ferns')),
            'term' => ['name' => 'Ferns', 'slug' => 'shrubs'],
        ])
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.path', 'slug');
        $this->postJson('/manage/api/taxonomies/groups/terms', ['term' => ['name' => ' ']])->assertUnprocessable();
        $this->putJson(
            '/manage/api/taxonomies',
            [
                'revision' => $this->revision('taxonomies', 'groups'),
                'file' => ['format' => 1, 'key' => 'groups', 'label' => 'Groups', 'tree' => false],
            ],
        )->assertUnprocessable();
        $this->putJson(
            '/manage/api/taxonomies',
            [
                'revision' => $this->revision('taxonomies', 'groups'),
                'file' => [
                    'format' => 1,
                    'key' => 'groups',
                    'label' => 'Groups',
                    'tree' => true,
                    'properties' => ['latin' => ['title' => 'Latin', 'x-wellspring' => ['kind' => 'text']]],
                ],
            ],
        )->assertOk();
        $this->putJson(
            '/manage/api/terms/'.$id('ferns'),
            [
                'revision' => $this->revision('terms', $id('ferns')),
                'term' => ['name' => 'Ferns', 'fields' => ['latin' => 'Polypodiopsida']],
            ],
        )
            ->assertOk()
            ->assertJson(['fields' => ['latin' => 'Polypodiopsida']]);
        $about = ['format' => 1, 'key' => 'groups', 'label' => 'Groups', 'tree' => true];
        $this->putJson('/manage/api/taxonomies', [
            'revision' => $this->revision('taxonomies', 'groups'), 'file' => $about,
        ])->assertOk();
        $this->assertSame(
            [],
            $this->getJson('/manage/api/terms/'.$id('ferns'))->json('fields'),
            'a field that is gone is not asked about',
        );
        $this->putJson(
            '/manage/api/taxonomies',
            [
                'revision' => $this->revision('taxonomies', 'groups'),
                'file' => $about + [
                    'properties' => ['latin' => ['title' => 'Latin', 'x-wellspring' => ['kind' => 'text']]],
                ],
            ],
        )->assertOk();
        $this->getJson('/manage/api/terms/'.$id('ferns'))->assertJson(['fields' => ['latin' => 'Polypodiopsida']]);
        $file = json_decode((string) $this->get('/manage/api/taxonomies/groups/file')->getContent(), true);
        Item::query()->delete();
        Term::query()->update(['parent_id' => null]);
        Term::query()->delete();
        app(\App\Content\Taxonomies\TermWriter::class)->apply(\Wellspring\Core\Content\File\TaxonomyFile::read($file));
        $this->assertSame(
            $file,
            json_decode((string) $this->get('/manage/api/taxonomies/groups/file')->getContent(), true),
            'out and in again',
        );
    }

    public function test_a_tree_of_five_thousand_terms_is_told_moved_and_merged(): void
    {
        DB::statement(
            "insert into terms (taxonomy_key, slug, name, position) select 'groups', 'root-' || n, 'Root ' || n, 10 + "
                .'n from generate_series(1, 50) as n',
        );
        DB::statement(
            "insert into terms (taxonomy_key, slug, name, position, parent_id) select 'groups', 'leaf-' || n, 'Leaf ' "
                ."|| n, n, (select id from terms where slug = 'root-' || (n % 50 + 1)) from generate_series(1, 4945) "
                    .'as n',
        );
        app(CatalogueStore::class)->forget();
        $item = $this->plant(['title' => 'Fern', 'groups' => ['leaf-1', 'leaf-51', 'root-2', 'leaf-2']]);
        $rows = fn (): array => array_column(
            (array) $this->getJson('/manage/api/taxonomies/groups/terms')->assertOk()->json(),
            null,
            'slug',
        );
        $before = $rows();
        $this->assertCount(5000, $before);
        $this->assertSame(
            [[1, 1], [1, 1], [0, 1], [0, 0]],
            array_map(
                fn (string $slug): array => [$before[$slug]['items'], $before[$slug]['withBelow']],
                ['root-2', 'leaf-2', 'root-3', 'root-4'],
            ),
            'an item counts once, however many of its terms are below',
        );
        $this->postJson(
            "/manage/api/terms/{$before['root-2']['id']}/move",
            ['parent' => $before['leaf-3']['id'], 'position' => 0],
        )->assertOk();
        $this->postJson(
            "/manage/api/terms/{$before['root-50']['id']}/move",
            ['parent' => null, 'position' => 0],
        )->assertOk();
        $after = $rows();
        $this->assertSame(
            [1, 1, 1],
            [$after['leaf-3']['withBelow'], $after['root-4']['withBelow'], $after['root-2']['withBelow']],
        );
        $roots = array_values(array_filter($after, fn (array $one): bool => $one['parent'] === null));
        $this->assertSame(
            ['root-50', 'perennials', 'shrubs', 'root-1'],
            array_slice(array_column($roots, 'slug'), 0, 4),
        );
        $leaves = array_map(fn (int $n): int => $after["leaf-{$n}"]['id'], [1, 51, 2]);
        $change = $this->postJson('/manage/api/terms/merge', ['into' => $after['root-2']['id'], 'terms' => $leaves])
            ->assertOk()
            ->json('change');
        $this->assertSame(['root-2'], $item->refresh()->terms->pluck('slug')->all());
        $this->postJson("/manage/api/changes/{$change}/undo")->assertOk()->assertJson(['undone' => 1]);
        $this->assertCount(4, $item->refresh()->terms);
        $this->assertCount(5000, $this->getJson('/manage/api/start')->assertOk()->json('taxonomies.0.terms'));
    }

    public function test_an_item_tells_where_it_shows_and_why_not_where_it_does_not(): void
    {
        $this->plant(['title' => 'First', 'light' => 'shade', 'price' => 1]);
        $item = $this->plant(['title' => 'Fern', 'light' => 'sun', 'price' => 3]);
        $store = app(ModuleStore::class);
        $page = $this->pageAt('/garden', 'Garden');
        foreach ([
            'a' => [
                'order' => [['by' => 'price']],
                'page' => ['mode' => 'numbered', 'size' => 1],
                'card' => ['lines' => [['parts' => [
                    ['part' => 'picture'],
                    ['part' => 'title'],
                    ['part' => 'field', 'field' => 'height', 'empty' => ['do' => 'say', 'text' => 'Ask']],
                ]]]],
            ],
            'b' => [
                'where' => ['all' => [['field' => 'light', 'test' => 'anyOf', 'value' => ['shade', 'half-shade']]]],
            ],
            'c' => [
                'where' => [
                    'all' => [
                        ['field' => 'light', 'test' => 'anyOf', 'value' => ['shade']],
                        ['field' => 'height', 'test' => 'gte', 'value' => 4],
                    ],
                ],
            ],
            'd' => ['leaveOut' => ['fern']],
            'e' => ['order' => [['by' => 'price']], 'atMost' => 1],
        ] as $key => $rules) {
            $this->placeOn($page, Garden::module(['key' => $key] + $rules));
        }
        $shown = array_column(
            (array) $this->getJson("/manage/api/items/{$item->id}/shown")->assertOk()->json(),
            null,
            'module',
        );
        $this->assertSame(
            [2, 2, 'Garden'],
            [$shown['a']['place'], $shown['a']['page'], $shown['a']['pages'][0]['title']],
        );
        $this->assertSame([
            ['part' => 'picture', 'field' => 'picture', 'then' => 'is left out'],
            ['part' => 'height', 'field' => 'height', 'then' => 'says “Ask”'],
        ], $shown['a']['gaps']);
        $this->assertSame(['Light is Full sun, and the rule keeps Shade or Half shade.'], $shown['b']['reasons']);
        $this->assertSame(
            [
                'Light is Full sun, and the rule keeps Shade.',
                'Height is empty, and the rule asks that it is at least 4 cm.',
            ],
            $shown['c']['reasons'],
        );
        $this->assertSame(['It is left out by hand.'], $shown['d']['reasons']);
        $this->assertStringContainsString(
            'stands at place 2, but the module shows no more than 1',
            $shown['e']['reasons'][0],
        );
        $this->assertSame(['a', 'b', 'd', 'e', 'c'], array_keys($shown), 'those that show it, then the nearest');
        $this->save($item, 1, ['publish_at' => '2099-01-01', 'audience' => 'members'])->assertOk();
        $this->assertStringContainsString(
            'It is only for members.',
            implode(' ', $this->getJson("/manage/api/items/{$item->id}/shown")->json('0.reasons')),
        );
    }

    public function test_the_table_is_narrowed_ordered_and_kept_and_items_stand_by_hand(): void
    {
        foreach (['Bed 10' => 5, 'Bed 2' => null, 'Ärmel' => 7] as $title => $price) {
            $this->plant([
                'title' => $title,
                'price' => $price,
                'groups' => $price === 5 ? ['ferns'] : [],
                'text' => '<p>long</p>',
                'story' => '<p>long</p>',
            ]);
        }
        $titles = fn (string $query): array => array_column(
            $this->getJson("/manage/api/items?type=plant&{$query}")->assertOk()->json('items'),
            'title',
        );
        $this->assertSame(['Ärmel', 'Bed 2', 'Bed 10'], $titles('sort=title&direction=asc'));
        $this->assertSame(['Ärmel', 'Bed 10', 'Bed 2'], $titles('sort=price&direction=desc'), 'empty ones last');
        $where = urlencode(
            (string) json_encode([
                'all' => [['field' => 'groups', 'test' => 'anyOf', 'value' => ['perennials'], 'below' => true]],
            ]),
        );
        $this->assertSame(['Bed 10'], $titles("where={$where}"));
        $this->assertSame(['Bed 2', 'Bed 10'], $titles('q=BED&sort=title&direction=asc'));
        $this->assertSame([], $titles('q=%25'));
        $row = $this->getJson('/manage/api/items?type=plant')->json('items.0.values');
        $this->assertSame([null, null], [$row['text'], $row['story']], 'long texts do not travel with the table');
        $this->putJson('/manage/api/presets/plant', ['name' => 'Dear ones', 'state' => ['sort' => 'price']])
            ->assertOk()
            ->assertJsonPath('selections.0.name', 'Dear ones');
        $kept = $this->putJson(
            '/manage/api/presets/plant',
            ['name' => '', 'state' => ['columns' => [['key' => 'price', 'width' => 99]]]],
        )
            ->assertJsonPath('state.columns.0.width', 99)
            ->json('selections.0.id');
        $this->deleteJson("/manage/api/presets/plant/{$kept}")->assertJsonCount(0, 'selections');
        $ids = Item::query()->orderBy('id')->pluck('id')->all();
        $from = $this->getJson('/manage/api/by-hand/plant')->json('revision');
        $this->putJson(
            '/manage/api/by-hand/plant',
            ['revision' => $from, 'ids' => [$ids[2], $ids[0]]],
        )->assertJson(['items' => [
            ['id' => $ids[2], 'placed' => true],
            ['id' => $ids[0], 'placed' => true],
            ['id' => $ids[1], 'placed' => false],
        ]]);
        $ferns = Term::query()->where('taxonomy_key', 'groups')->where('slug', 'ferns')->value('id');
        $from = $this->getJson("/manage/api/by-hand/plant?term={$ferns}")->json('revision');
        $this->putJson('/manage/api/by-hand/plant', ['revision' => $from, 'term' => $ferns, 'ids' => [$ids[0]]])
            ->assertJson(['items' => [['id' => $ids[0], 'placed' => true]]])
            ->assertJsonCount(1, 'items');
        $this->save(Item::query()->whereKey($ids[0])->firstOrFail(), 1, ['groups' => ['ferns', 'shrubs']])->assertOk();
        $this->getJson("/manage/api/by-hand/plant?term={$ferns}")->assertJsonPath('items.0.placed', true);
        $this->assertSame('plant', app(CatalogueStore::class)->catalogue()->types['plant']->key);
    }

    public function test_two_people_who_describe_a_file_a_person_a_group_or_an_order_do_not_overwrite_each_other(): void
    {
        $ids = array_map(fn (string $title): int => $this->plant(['title' => $title])->id, ['Ash', 'Birch', 'Cedar']);
        $media = Media::query()->create(
            ['name' => 'fern.webp', 'kind' => 'picture', 'title' => 'Fern', 'mime' => 'image/jpeg', 'bytes' => 1],
        )->refresh();
        $wren = User::query()->create(['name' => 'Wren', 'email' => 'wren@example.org'])->refresh();
        $group = $this->putJson('/manage/api/groups', ['name' => 'Friends'])->assertOk()->json('0');
        $order = $this->getJson('/manage/api/by-hand/plant')->json('revision');
        $person = ['role' => 'member', 'active' => true];
        foreach ([
            [
                "media/{$media->id}", 1,
                ['alt' => 'A fern', 'focus' => [0, 0]], ['alt' => 'A frond', 'focus' => [1, 1]],
                ['media.alt' => 'A fern'],
            ],
            [
                "people/{$wren->id}", 1, ['name' => 'Wren Moss'] + $person, ['name' => 'W. Moss'] + $person,
                ['person.name' => 'Wren Moss'],
            ],
            ['groups', $group['revision'], ['name' => 'A', 'revision' => null] + $group, ['name' => 'B'] + $group, []],
            ['by-hand/plant', $order, ['ids' => [$ids[1]]], ['ids' => [$ids[2]]], []],
        ] as [$path, $from, $first, $second, $told]) {
            $path = "/manage/api/{$path}";
            $this->putJson($path, $first)->assertUnprocessable();
            $this->putJson($path, ['revision' => $from] + $first)->assertOk();
            $stale = $this->putJson($path, ['revision' => $from] + $second)->assertConflict();
            foreach ($told as $at => $said) {
                $stale->assertJsonPath($at, $said);
            }
            $this->putJson($path, ['revision' => $stale->json('revision')] + $second)->assertOk();
            $this->putJson($path, ['revision' => $stale->json('revision')] + $first)->assertConflict();
        }
        $this->assertSame(
            ['A frond', 'W. Moss', 'B', [$ids[2]]],
            [
                $media->refresh()->alt, $wren->refresh()->name, Group::query()->value('name'),
                Item::query()->whereNotNull('position')->pluck('id')->all(),
            ],
        );
    }
}
