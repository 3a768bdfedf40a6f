<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Catalogue\CatalogueStore;
use App\Catalogue\ValueColumns;
use App\Models\ContentType;
use App\Models\Item;
use App\Models\Module;
use App\Models\Page;
use App\Models\Revision;
use App\Models\Term;
use App\Modules\ModuleStore;
use App\Sets\ReadySet;
use App\Sets\SetApplier;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Support\Garden;
use Wellspring\Core\Content\File\TypeFile;
use Wellspring\Core\Problem\Refused;

/** Types are changed under the items that they have: what it does is said first, and can be taken back. */
final class TypesTest extends TestCase
{
    /**
     * @param  array<string, mixed>  $file
     * @param  array<string, string>  $renamed
     */
    private function save(array $file, array $renamed = []): int
    {
        return (int) $this->putJson('/manage/api/types', [
            'file' => $file,
            'renamed' => $renamed,
            'withLoss' => true,
            'revision' => $this->revision('types', $file['x-wellspring']['key']),
        ])
            ->assertOk()
            ->json('change');
    }

    /**
     * @param  array<string, mixed>  $file
     * @param  array<string, string>  $renamed
     * @return list<string>
     */
    private function effects(array $file, array $renamed = []): array
    {
        return array_column(
            $this->postJson('/manage/api/types/effects', ['file' => $file, 'renamed' => $renamed])
                ->assertOk()
                ->json('effects'),
            'message',
        );
    }

    /** @return array<int, mixed> */
    private function contents(): array
    {
        return Item::query()
            ->with(Item::whole())
            ->orderBy('id')
            ->get()
            ->mapWithKeys(
                fn (Item $item): array => [
                    $item->id => [
                        $item->fields,
                        $item->folded,
                        $item->terms->pluck('slug')->all(),
                        $item->links->map->only(['field', 'target_id'])->all(),
                    ],
                ],
            )
            ->all();
    }

    /** The columns of values hold what the fields hold, and nothing else. */
    private function assertColumnsHoldTheFields(string $when): void
    {
        $wrong = DB::select(<<<'SQL'
            select items.id, place, one.field, to_jsonb(items) ->> ('value_' || place) as held
            from items left join value_columns using (type_key)
            cross join generate_series(1, 16) as place
            left join lateral (select value_columns.fields[place] as field) as one on true
            where to_jsonb(items) ->> ('value_' || place) is distinct from items.fields ->> one.field
            SQL);
        $this->assertSame([], $wrong, $when);
    }

    public function test_a_field_is_renamed_moved_and_removed_and_all_of_it_comes_back(): void
    {
        $type = $this->plantType();
        $this->actingAs($this->manager());
        for ($n = 1; $n <= 8; $n++) {
            $this->plant([
                'title' => "Plant {$n}",
                'slug' => "plant-{$n}",
                'height' => $n * 10,
                'nickname' => $n % 2 === 0 ? "Nick {$n}" : null,
                'light' => 'sun',
                'uses' => ['pot', 'cut'],
                'groups' => ['ferns'],
                'friends' => $n > 1 ? ['plant-1'] : null,
            ]);
        }
        $this->postJson(
            '/manage/api/modules',
            ['name' => 'Tall', 'definition' => ['source' => ['items' => ['plant']]]],
        )->assertCreated();
        $definition = [
            'order' => [['by' => 'height']],
            'where' => ['all' => [['field' => 'height', 'test' => 'gt', 'value' => 20]]],
            'card' => ['lines' => [['parts' => [['part' => 'field', 'field' => 'height']]]]],
        ] + $this->getJson('/manage/api/modules/tall')->json('definition');
        $this->putJson('/manage/api/modules/tall/draft', ['definition' => $definition, 'revision' => 1])->assertOk();
        $this->postJson('/manage/api/modules/tall/publish')->assertOk();
        $this->publishPage([
            'key' => 'plant', 'address' => '/plants/{plant}', 'about' => ['item' => 'plant'], 'title' => 'Plant',
            'bands' => [['key' => 'body', 'slots' => [['share' => 12, 'blocks' => [
                ['block' => 'field', 'fields' => ['height']],
            ]]]]],
        ]);
        $shown = fn (): mixed => Page::query()->where('key', 'plant')->firstOrFail()
            ->live['bands'][0]['slots'][0]['blocks'][0]['fields'] ?? null;
        $before = $this->contents();
        $columns = fn (): array => app(ValueColumns::class)->of('plant');
        $had = $columns();

        $file = Garden::plantFile();
        $height = $file['properties']['height'];
        unset($file['properties']['height'], $file['properties']['nickname'], $file['properties']['friends']);
        $file['properties'] = [
            'tallness' => ['title' => 'Tallness'] + $height,
            'soil' => ['title' => 'Soil', 'x-wellspring' => ['kind' => 'text']],
        ] + $file['properties'];
        $file['properties']['uses']['items']['enum'] = ['hedge', 'cut'];
        $file['properties']['light'] = ['title' => 'Light', 'x-wellspring' => ['kind' => 'text']];
        $file['x-wellspring']['taxonomies'] = [];
        $said = $this->effects($file, ['height' => 'tallness']);
        foreach ([
            'Soil is added; every item begins without a value.',
            'Height gets the key tallness; the values of 8 items and the modules and pages that name it follow.',
            'Nickname goes, and with it the values of 4 items.',
            'Friends goes, and with it the values of 7 items.',
            'Uses: the values of 8 items are written in the new form.',
            'Light: the values of 8 items are written in the new form.',
            'Plant groups no longer belongs to this type, and 8 items lose their terms of it.',
        ] as $sentence) {
            $this->assertContains($sentence, $said);
        }
        $this->assertSame($before, $this->contents(), 'looking changes nothing');
        $this->putJson(
            '/manage/api/types',
            ['file' => $file, 'renamed' => ['height' => 'tallness']],
        )->assertUnprocessable();
        $this->assertSame($before, $this->contents(), 'nor does a change that nobody agreed to');

        $change = $this->save($file, ['height' => 'tallness']);
        $item = Item::query()->with(Item::whole())->orderBy('id')->skip(1)->firstOrFail();
        $this->assertEquals(['tallness' => 20, 'light' => 'Full sun', 'uses' => ['cut']], $item->fields);
        $this->assertSame('full sun', $item->folded['light'], 'a text is found by its words at once');
        $this->assertSame([[], []], [$item->terms->all(), $item->links->all()]);
        $this->assertColumnsHoldTheFields('renamed, and others removed');
        $this->assertSame([true, false, $had['price']], [
            isset($columns()['tallness']), isset($columns()['height']), $columns()['price'],
        ]);
        $live = Module::query()->where('key', 'tall')->firstOrFail()->live ?? [];
        $this->assertSame(
            ['tallness', 'tallness', 'tallness'],
            [
                $live['order'][0]['by'],
                $live['where']['all'][0]['field'],
                $live['card']['lines'][0]['parts'][0]['field'],
            ],
        );
        $this->assertSame(['tallness'], $shown());
        $this->get('/plants/plant-2')->assertOk()->assertSeeInOrder(['Tallness', '20']);
        unset($file['properties']['tallness']);
        $refused = $this->putJson(
            '/manage/api/types',
            ['file' => $file, 'withLoss' => true, 'revision' => $this->revision('types', 'plant')],
        )->assertUnprocessable();
        $this->assertSame(
            ['The module “Tall” keeps records by the field Tallness. Remove it there first.', '/modules/tall'],
            [$refused->json('problems.0.message'), $refused->json('problems.0.link')],
        );
        $this->assertSame(
            'The page “Plant” shows the field Tallness. Remove it there first.',
            $refused->json('problems.1.message'),
        );
        app(ModuleStore::class)->apply(Garden::module(['key' => 'small', 'name' => 'Small']));
        $refused = $this->deleteJson('/manage/api/types/plant')->assertUnprocessable();
        $this->assertSame([
            '8 items are of this type. Remove them first.',
            'The module “Small” draws from this type. Change it first.',
            'The module “Tall” draws from this type. Change it first.',
            'The page “Plant” is about its items. Change it first.',
        ], array_column((array) $refused->json('problems'), 'message'));
        $this->assertSame(
            ['tallness', 'soil'],
            array_slice(array_keys(app(CatalogueStore::class)->catalogue()->types['plant']->fields), 0, 2),
            'in their new order',
        );
        $this->assertSame(
            'type changed',
            Revision::query()->where('item_id', $item->id)->latest('number')->firstOrFail()->how,
        );

        $this->putJson(
            "/manage/api/items/{$item->id}",
            ['revision' => $item->revision, 'values' => ['tallness' => 99]],
        )->assertOk();
        $this->postJson("/manage/api/changes/{$change}/undo")->assertOk()->assertJson(['undone' => 7]);
        $this->assertColumnsHoldTheFields('and back');
        $this->assertEqualsCanonicalizing(array_keys($had), array_keys($columns()));
        $after = $this->contents();
        $this->assertEquals(99, $after[$item->id][0]['height'], 'what was typed since goes along into the old form');
        unset($before[$item->id], $after[$item->id]);
        $this->assertEquals($before, $after);
        $this->assertSame(
            json_encode(TypeFile::write($type)),
            json_encode(ContentType::query()->findOrFail('plant')->definition),
        );
        $this->assertSame('height', Module::query()->where('key', 'tall')->firstOrFail()->live['order'][0]['by'] ?? '');
        $this->assertSame(['height'], $shown());
        $this->postJson("/manage/api/changes/{$change}/undo")->assertUnprocessable();
    }

    public function test_every_kind_can_become_every_other_and_nothing_is_lost_for_good(): void
    {
        $type = $this->plantType();
        $this->actingAs($this->manager());
        $kinds = [
            'text' => [],
            'longText' => [],
            'number' => [],
            'yesNo' => [],
            'choice' => ['enum' => ['sun', 'shade', '12']],
            'choices' => ['items' => ['enum' => ['sun', 'shade', '12']]],
            'date' => [],
            'place' => [],
        ];
        $values = [
            'text' => '12',
            'longText' => '<p>sun</p>',
            'number' => 12,
            'yesNo' => true,
            'choice' => 'sun',
            'choices' => ['sun', '12'],
            'date' => '2026-05-01',
            'place' => ['address' => 'Quillmoor'],
        ];
        $as = function (string $kind) use ($kinds): array {
            $file = Garden::plantFile();
            $file['properties'] = ['it' => ['title' => 'It', 'x-wellspring' => ['kind' => $kind]] + $kinds[$kind]];

            return $file;
        };
        foreach (array_keys($kinds) as $from) {
            $this->save($as($from));
            $item = $this->plant(['title' => $from, 'it' => $values[$from]]);
            foreach (array_keys($kinds) as $to) {
                if ($from !== $to) {
                    $change = $this->save($as($to));
                    $this->assertColumnsHoldTheFields("{$from} to {$to}");
                    $reader = new \Wellspring\Core\Content\ItemReader(
                        app(CatalogueStore::class)->catalogue()->types['plant'],
                    );
                    $reader->fromValues(
                        \App\Catalogue\Records::values(
                            $item->refresh()->load(Item::whole()),
                            app(CatalogueStore::class)->catalogue()->types['plant'],
                        ),
                    );
                    $this->postJson("/manage/api/changes/{$change}/undo")->assertOk();
                    $this->assertColumnsHoldTheFields("{$from} to {$to} and back");
                    $this->assertEquals(
                        [$from => $values[$from]],
                        [$from => $item->refresh()->fields['it'] ?? null],
                        "{$from} to {$to} and back",
                    );
                }
            }
            Item::query()->delete();
        }
        $this->assertSame('Plant', $type->label);
    }

    public function test_limits_and_a_type_in_use_are_guarded(): void
    {
        $this->plantType();
        $this->actingAs($this->manager());
        $this->plant(['title' => 'Fern', 'height' => 5]);
        $file = Garden::plantFile();
        $file['properties']['height'] += ['minimum' => 10];
        $file['required'] = ['nickname'];
        $this->assertSame(
            [
                'Height: the value of 1 item no longer fits; it stays as it is until the item is saved next.',
                '1 item has no Nickname; it is asked for when the item is saved next.',
            ],
            $this->effects($file),
        );
        $this->save($file);
        $this->assertEquals(['height' => 5], Item::query()->firstOrFail()->fields);
        $this->putJson(
            '/manage/api/items/'.Item::query()->value('id'),
            ['revision' => 1, 'values' => ['title' => 'Fern']],
        )
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.path', 'nickname');
        $this->deleteJson('/manage/api/types/plant')
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.message', '1 item is of this type. Remove it first.');
        foreach (['/manage/{slug}', '/plants', '/a/{slug}/b'] as $address) {
            $this->postJson(
                '/manage/api/types/effects',
                ['file' => array_replace_recursive($file, ['x-wellspring' => ['address' => $address]])],
            )
                ->assertUnprocessable()
                ->assertJsonPath('problems.0.path', 'x-wellspring.address');
        }
        Item::query()->delete();
        $this->deleteJson('/manage/api/types/plant')->assertOk();
        $this->getJson('/manage/api/types/plant')->assertNotFound();
    }

    /**
     * Every type that is written is a valid JSON Schema (2020-12), and items of it fit it: checked by opis/json-schema.
     *
     * @param  array<string, list<array{bool, array<string, mixed>}>>  $items
     */
    #[DataProvider('shipped')]
    public function test_exported_types_are_json_schemas_that_their_items_fit(string $folder, array $items): void
    {
        app(SetApplier::class)->apply(ReadySet::fromFolder(base_path("database/{$folder}")));
        $this->actingAs($this->manager());
        foreach (app(CatalogueStore::class)->catalogue()->types as $key => $type) {
            $schema = (string) $this->get("/manage/api/types/{$key}/file")->assertOk()->getContent();
            $this->assertEquals(
                $type,
                TypeFile::read(json_decode($schema, true), app(CatalogueStore::class)->catalogue()->taxonomies),
                'read and written without loss',
            );
            foreach ($items[$key] ?? [] as [$fits, $item]) {
                $this->assertSame(
                    $fits,
                    (new Validator)->validate(json_decode((string) json_encode((object) $item)), $schema)->isValid(),
                    "{$key}: ".json_encode($item),
                );
            }
        }
    }

    /** @return array<string, array{string, array<string, list<array{bool, array<string, mixed>}>>}> */
    public static function shipped(): array
    {
        return [
            'the demo' => [
                'demo',
                [
                    'event' => [
                        [
                            true,
                            [
                                'starts' => '2026-05-01T10:00:00Z',
                                'fee' => 4.5,
                                'place' => ['address' => 'Quillmoor', 'latitude' => 50.6, 'longitude' => -3.5],
                                'leader' => ['ivo'],
                            ],
                        ],
                        [false, ['starts' => '2026-05-01T10:00:00Z', 'place' => ['latitude' => 95]]],
                        [false, ['fee' => 4]],
                        [false, ['starts' => '2026-05-01T10:00:00Z', 'leader' => ['a', 'b']]],
                    ],
                    'person' => [
                        [true, ['hours' => ['mon' => [['09:00', '12:00']]]]],
                        [false, ['hours' => ['mon' => [['9', '12:00']]]]],
                        [false, ['hours' => ['someday' => []]]],
                    ],
                ],
            ],
            'plots' => [
                'sets/garden-plots',
                [
                    'plot' => [
                        [true, ['area' => 50, 'soil' => 'loam']],
                        [false, ['area' => 0]],
                        [false, ['area' => 5, 'soil' => 'gold']],
                    ],
                ],
            ],
            'tools' => [
                'sets/tools',
                [
                    'tool' => [
                        [true, ['inventory' => 'SP-014', 'power' => ['hand']]],
                        [false, ['inventory' => 'spade']],
                        [false, ['power' => ['steam']]],
                    ],
                ],
            ],
        ];
    }

    public function test_a_set_is_looked_at_applied_and_does_no_harm_to_what_is_there(): void
    {
        $this->actingAs($this->manager());
        $this->postJson('/manage/api/sets/inspect', ['shipped' => 'tools'])
            ->assertOk()
            ->assertJsonPath('parts.1.state', 'new')
            ->assertJsonPath('parts.0.says', '6 new terms');
        $this->assertSame([0, 0], [ContentType::query()->count(), Term::query()->count()], 'looking makes nothing');
        $zip = $this->file('zip', (string) $this->get('/manage/api/sets/tools/file')->assertOk()->getContent());
        $send = fn (string $what) => $this->post(
            "/manage/api/sets/{$what}",
            ['file' => new UploadedFile($zip, 'tools.zip', null, null, true)],
            ['Accept' => 'application/json'],
        );
        $this->assertSame(['new', 'new', 'new'], array_column($send('apply')->assertOk()->json('parts'), 'state'));
        $this->assertSame(['same', 'same', 'same'], array_column($send('apply')->assertOk()->json('parts'), 'state'));
        Term::query()->where('slug', 'hedges')->update(['name' => 'Hedges and topiary']);
        $file = $this->getJson('/manage/api/types/tool')->json('file');
        unset($file['properties']['weight']);
        $this->save($file);
        $this->assertSame(['same', 'kept', 'same'], array_column($send('apply')->assertOk()->json('parts'), 'state'));
        $this->assertSame('Hedges and topiary', Term::query()->where('slug', 'hedges')->value('name'));
        $this->getJson('/manage/api/types/tool')->assertJsonMissingPath('file.properties.weight');
        $this->assertSame(
            0,
            Artisan::call('wellspring:sets:apply', ['path' => base_path('database/sets/garden-plots')]),
            Artisan::output(),
        );
        $this->assertSame(1, Artisan::call('wellspring:sets:apply', ['path' => $this->file('zip', 'no zip')]));
    }

    public function test_wrong_sets_are_refused_whole(): void
    {
        $set = function (array $files): string {
            $path = $this->file('zip', '');
            $zip = new \ZipArchive;
            $zip->open($path, \ZipArchive::OVERWRITE);
            foreach ($files as $name => $content) {
                $zip->addFromString($name, $content);
            }
            $zip->close();

            return $path;
        };
        $about = ['set.json' => '{"format": 1, "name": "X"}'];
        foreach ([
            'is not a file of a set' => $about + ['../../evil.json' => '{}'],
            'types/a.json: is not JSON' => $about + ['types/a.json' => '{'],
            'holds no type' => $about,
            'set.json.name' => ['set.json' => '{"format": 1}', 'types/a.json' => '{}'],
            'types/a.json title: is missing' => $about + [
                'taxonomies/t.json' => '{"format": 1, "key": "t", "label": "T", "tree": false, "terms": []}',
                'types/a.json' => '{}',
            ],
        ] as $words => $files) {
            try {
                app(SetApplier::class)->apply(ReadySet::fromZip($set($files)));
                $this->fail($words);
            } catch (Refused $refused) {
                $this->assertStringContainsString($words, implode(' ', $refused->problems));
            }
        }
        $this->assertSame(0, \App\Models\Taxonomy::query()->count(), 'nothing half written');
    }
}
