<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Catalogue\CatalogueStore;
use App\Models\Change;
use App\Models\User;
use App\Modules\ModuleStore;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Storage;
use Tests\Support\Garden;

/**
 * Every route of the manage screens, walked: who gets in, and that odd input is told, never a fault of the server's.
 */
final class RoutesTest extends TestCase
{
    public function test_odd_input_at_every_route_is_told_and_where_nothing_is_changes_nothing(): void
    {
        Storage::fake('imports');
        $this->plantType();
        $fern = $this->plant(['title' => 'Fern', 'publish_at' => '2026-01-01']);
        $store = app(ModuleStore::class);
        $store->publish($store->apply(Garden::module()));
        $this->actingAs($this->manager());
        $odd = [
            [],
            [
                'definition' => 'x', 'file' => 'x', 'values' => 'x', 'options' => 'x', 'term' => 'x',
                'keys' => 'x', 'ids' => 'x', 'pages' => 'x', 'order' => 'x', 'name' => ['x'], 'email' => ['x'],
            ],
            [
                'definition' => [[]],
                'file' => [[]],
                'values' => [[]],
                'options' => [],
                'term' => [[]],
                'keys' => [[]],
                'ids' => [[]],
                'pages' => [[]],
                'type' => 'plant',
                'do' => 'set',
                'field' => ['x'],
                'before' => 7,
                'revision' => 'x',
                'name' => str_repeat('x', 500),
            ],
            [
                'definition' => Garden::module()->toArray(),
                'fields' => [['x']],
                'page' => '-1',
                'item' => 'x',
                'slug' => ['x'],
                'against' => 'x',
                'at' => 'yesterday',
                'as' => 'king',
                'about' => 'x',
                'about.term' => '/',
                'words' => ['x'],
                'field' => 'no',
                'before' => 'no',
                'type' => ['plant'],
                'write' => 'x',
                'parent' => 'x',
                'position' => 'x',
                'into' => 'x',
                'terms' => ['x'],
            ],
            [
                'definition' => [
                    'source' => ['items' => ['plant']],
                    'where' => ['all' => [['field' => 'words', 'test' => 'search', 'value' => "\0", 'in' => [['x']]]]],
                ],
                'about' => ['item' => 999_999_999_999_999_999, 'term' => '//', 'month' => '2026-99', 'person' => "\0"],
                'file' => ['key' => "\0"],
                'values' => ['title' => "\0", 'price' => 'NaN'],
                'type' => 'plant',
                'fields' => [],
            ],
        ];
        $before = $this->kept();
        // Where nothing is, and where something is: that may well change, and is as it was afterwards.
        foreach ([...self::routes(), ...self::routes('plants', (string) $fern->id)] as [$method, $path]) {
            foreach (str_ends_with($path, '/sign-out') ? [] : $odd as $i => $body) {
                DB::beginTransaction();
                $said = "{$method} {$path} with body {$i}";
                $answer = $this->json(
                    $method,
                    $method === 'GET' ? $path.'?'.http_build_query($body) : $path,
                    $method === 'GET' ? [] : $body,
                );
                $this->assertLessThan(
                    500,
                    $answer->baseResponse->getStatusCode(),
                    "{$said}: ".mb_substr((string) $answer->baseResponse->getContent(), 0, 600),
                );
                if ($answer->baseResponse->getStatusCode() === 422) {
                    $this->assertNotSame(
                        '',
                        (string) ($answer->json('message') ?? $answer->json('problems.0.message')),
                        $said,
                    );
                }
                if (str_contains($path, '999999')) {
                    $this->assertSame($before, $this->kept(), $said);
                }
                DB::rollBack();
                app(CatalogueStore::class)->forget();
            }
        }
    }

    public function test_the_lists_of_the_manage_screens_say_what_there_is(): void
    {
        $this->plantType();
        $manager = $this->manager();
        $this->actingAs($manager);
        $this->plant(['title' => 'Fern', 'groups' => ['ferns'], 'author' => 'm@example.org']);
        $this->getJson('/manage/api/taxonomies')
            ->assertOk()
            ->assertJson([
                ['key' => 'groups', 'tree' => true, 'terms' => 5, 'types' => ['Plants']],
                ['key' => 'soils', 'terms' => 2, 'types' => []],
            ]);
        $this->deleteJson('/manage/api/taxonomies/groups')
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.message', 'it belongs to Plants. Take it from that type first.');
        $this->deleteJson('/manage/api/taxonomies/soils')->assertOk();
        $this->getJson('/manage/api/taxonomies')->assertJsonCount(1);
        $types = $this->getJson('/manage/api/types')
            ->assertOk()
            ->assertJson(['types' => [['key' => 'plant', 'items' => 1]]])
            ->json();
        $this->assertContains('Height', $types['types'][0]['fields']);
        $this->assertContains('hours', array_column($types['kinds'], 'key'));
        $file = $this->get('/manage/api/types/plant/file')->assertOk()->assertDownload('plant.type.json');
        $this->assertSame(
            ['file' => json_decode((string) $file->getContent(), true), 'items' => 1],
            $this->getJson('/manage/api/types/plant')->json(),
        );
        $this->getJson('/manage/api/people?q=MARI&role=manager')
            ->assertOk()
            ->assertJson(['people' => [['name' => 'Marigold', 'items' => 1]]]);
        $this->getJson('/manage/api/people?q=nobody')->assertOk()->assertJson(['people' => []]);
        $this->assertContains(
            'Shop, journal, events, plots and people',
            array_column((array) $this->getJson('/manage/api/sets')->assertOk()->json(), 'name'),
        );
        $this->getJson('/manage/api/imports?type=plant')->assertOk()->assertExactJson([]);
        $this->assertStringStartsWith(
            'slug,title,status',
            $this->get('/manage/api/exports/plant')->assertOk()->streamedContent(),
        );
        $this->assertSame(
            'Fern',
            json_decode($this->get('/manage/api/exports/plant?format=json')->streamedContent(), true)[0]['title'],
        );

        // What was done to many is listed, and is taken back by who did it, a manager, or the command line.
        $author = User::query()->create([
            'name' => 'Osric',
            'email' => 'o@example.org',
            'password' => 'a long password',
            'role' => 'author',
        ]);
        $ids = array_column($this->getJson('/manage/api/items?type=plant')->json('items'), 'id');
        $change = $this->postJson(
            '/manage/api/items/many',
            ['type' => 'plant', 'do' => 'set', 'ids' => $ids, 'with' => ['values' => ['light' => 'sun']]],
        )
            ->assertJson(['done' => 1])
            ->json('change');
        $this->getJson('/manage/api/changes')
            ->assertOk()
            ->assertJson([['id' => $change, 'by' => 'Marigold', 'undone' => false]]);
        $this->actingAs($author)->getJson('/manage/api/changes')->assertExactJson([]);
        $this->postJson("/manage/api/changes/{$change}/undo", [])->assertForbidden();
        $this->assertSame(0, Artisan::call('wellspring:undo'));
        $title = Change::query()->where('id', $change)->firstOrFail()->title;
        $this->assertStringContainsString($title, Artisan::output());
        $this->assertSame(0, Artisan::call('wellspring:undo', ['change' => (string) $change]));
        $this->assertStringContainsString("Taken back: {$title}. 1 items are as they were.", Artisan::output());
        $this->assertNotSame(0, Artisan::call('wellspring:undo', ['change' => (string) $change]), 'once only');
        $this->assertNotSame(0, Artisan::call('wellspring:undo', ['change' => 'x']));
        $this->assertStringContainsString('There is no change x.', Artisan::output());
    }

    /** @return list<array{string, string}> method, and address with something in every place */
    private static function routes(string $key = 'plant', string $id = '999999'): array
    {
        $all = [];
        foreach (Route::getRoutes()->getRoutes() as $route) {
            if (str_starts_with($route->uri(), 'manage/api/')) {
                foreach (array_filter(array_diff($route->methods(), ['HEAD']), is_string(...)) as $method) {
                    $all[] = [
                        $method,
                        '/'.strtr(
                            $route->uri(),
                            ['{key}' => $key, '{number}' => '1'] + array_fill_keys(
                                ['{id}', '{item}', '{change}', '{media}', '{task}'],
                                $id,
                            ),
                        ),
                    ];
                }
            }
        }

        return $all;
    }

    /** @return array<string, string> what there is of each table that managers write, in a word */
    private function kept(): array
    {
        $kept = [];
        foreach ([
            'items', 'terms', 'taxonomies', 'types', 'modules', 'module_versions', 'pages', 'users', 'groups',
            'media',
        ] as $table) {
            $kept[$table] = (string) json_encode(DB::table($table)->orderByRaw('1')->get());
        }

        return $kept;
    }
}
