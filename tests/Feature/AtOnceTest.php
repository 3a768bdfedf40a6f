<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Catalogue\CatalogueStore;
use App\Export\ExportFile;
use App\Models\Import;
use App\Models\Item;
use App\Models\Module;
use App\Models\Task;
use App\Models\Term;
use App\Models\User;
use App\Modules\ModuleStore;
use Illuminate\Contracts\Process\InvokedProcess;
use Illuminate\Database\Connection;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Process;
use Tests\Support\Garden;

/**
 * Several people do something at the same moment, each in a process of their own: nobody's work is lost, and nobody
 * waits for long.
 */
final class AtOnceTest extends TestCase
{
    use Committed;

    private const ROUNDS = 2;

    private User $manager;

    protected function setUp(): void
    {
        parent::setUp();
        $this->plantType();
        $this->manager = $this->manager();
    }

    public function test_what_is_made_twice_at_once_gets_two_names_or_is_refused_and_replaces_nothing(): void
    {
        $definition = ['source' => ['items' => ['plant']]];
        $soils = Term::query()->where('taxonomy_key', 'soils')->firstOrFail();
        for ($round = 1; $round <= self::ROUNDS; $round++) {
            $modules = $this->twice(
                'POST',
                '/manage/api/modules',
                ['name' => "Round {$round}", 'definition' => $definition],
            );
            $this->assertSame([201, 201], array_column($modules, 'status'));
            $this->assertCount(2, array_unique(array_column(array_column($modules, 'body'), 'key')));
            $untitled = $this->twice(
                'POST',
                '/manage/api/items',
                ['type' => 'plant', 'values' => ['title' => "Moss {$round}"]],
            );
            $this->assertSame([201, 201], array_column($untitled, 'status'));
            $this->assertEqualsCanonicalizing(
                ["moss-{$round}", "moss-{$round}-2"],
                array_map(fn (array $answer): string => $answer['body']['values']['slug'], $untitled),
            );
            foreach ([
                ['/manage/api/items', ['type' => 'plant', 'values' => ['title' => 'Fern', 'slug' => "fern-{$round}"]]],
                ['/manage/api/taxonomies/soils/terms', ['term' => ['name' => "Sand {$round}"]]],
                ['/manage/api/people', ['name' => 'Wren', 'email' => "wren{$round}@example.org", 'role' => 'author']],
            ] as [$path, $body]) {
                $made = $this->twice('POST', $path, $body);
                $this->assertEqualsCanonicalizing(
                    [201, 422],
                    array_column($made, 'status'),
                    "{$path}: ".json_encode($made),
                );
            }
            $people = $this->twice(
                'POST',
                '/manage/api/people',
                fn (int $n): array => [
                    'name' => 'Robin',
                    'email' => "robin{$round}{$n}@example.org",
                    'role' => 'author',
                ],
            );
            $this->assertSame([201, 201], array_column($people, 'status'));
        }
        $this->assertSame(2 * self::ROUNDS, Module::query()->count());
        $this->assertSame(2 * self::ROUNDS, User::query()->where('name', 'Robin')->distinct()->count('slug'));
        $this->assertNotNull($soils->refresh());
    }

    public function test_the_second_of_two_saves_is_told_what_the_first_did_and_a_removal_is_told_too(): void
    {
        for ($round = 1; $round <= self::ROUNDS; $round++) {
            $item = $this->plant(['title' => 'Fern', 'height' => 1]);
            $saves = $this->twice(
                'PUT',
                "/manage/api/items/{$item->id}",
                fn (int $n): array => [
                    'revision' => 1,
                    'values' => $n === 0 ? ['title' => 'Lady fern'] : ['height' => 7],
                ],
            );
            $this->assertEqualsCanonicalizing([200, 409], array_column($saves, 'status'));
            $told = $saves[0]['status'] === 409 ? $saves[0] : $saves[1];
            $this->assertSame(
                ['title' => 'Lady fern', 'height' => 7],
                array_intersect_key($told['body']['merged'], ['title' => 0, 'height' => 0]),
            );
            $this->assertNotSame([], $told['body']['theirs']);

            $item = $this->plant(['title' => 'Moss']);
            $both = $this->atOnce([
                ['DELETE', "/manage/api/items/{$item->id}", ['revision' => 1]],
                ['PUT', "/manage/api/items/{$item->id}", ['revision' => 1, 'values' => ['title' => 'Peat moss']]],
            ]);
            $this->assertTrue(
                $both[0]['status'] === 200 && $both[1]['status'] === 404
                    || $both[0]['status'] === 409 && $both[1]['status'] === 200,
                (string) json_encode($both),
            );
            $this->assertSame($both[0]['status'] === 200 ? null : 'Peat moss', Item::query()->find($item->id)?->title);
        }
    }

    public function test_an_edit_of_many_beside_single_saves_ends_in_no_deadlock(): void
    {
        $items = array_map(
            fn (int $n): Item => $this->plant([
                'title' => "Plant {$n}",
                'friends' => $n > 1 ? ['plant-'.($n - 1)] : null,
                'slug' => "plant-{$n}",
            ]),
            range(1, 150),
        );
        $ids = array_map(fn (Item $item): int => $item->id, $items);
        for ($round = 1; $round <= self::ROUNDS; $round++) {
            $revisions = Item::query()->pluck('revision', 'id');
            $many = fn (array $ids): array => [
                'POST',
                '/manage/api/items/many',
                ['type' => 'plant', 'do' => 'set', 'ids' => $ids, 'with' => ['values' => ['height' => $round]]],
            ];
            $saves = array_map(
                fn (int $n): array => [
                    'PUT',
                    "/manage/api/items/{$ids[$n * 40]}",
                    [
                        'revision' => $revisions[$ids[$n * 40]],
                        'values' => ['nickname' => "Round {$round}", 'friends' => ['plant-'.($n * 40 + 7)]],
                    ],
                ],
                [3, 2, 1, 0],
            );
            $answers = $this->atOnce([$many($ids), $many(array_reverse($ids)), ...$saves]);
            $this->assertSame(
                [],
                array_filter(
                    array_column($answers, 'status'),
                    fn (int $status): bool => ! in_array($status, [200, 409], true),
                ),
                (string) json_encode($answers),
            );
            $this->assertSame(200, $answers[0]['status']);
        }
    }

    /** Whichever comes first, each gets an answer that says what holds. */
    public function test_a_term_is_removed_while_modules_that_name_it_are_made(): void
    {
        $groups = app(CatalogueStore::class)->termIds('groups', ['perennials']);
        for ($round = 1; $round <= self::ROUNDS; $round++) {
            $term = Term::query()->create([
                'taxonomy_key' => 'groups', 'slug' => "passing-{$round}", 'name' => "Passing {$round}",
                'parent_id' => $groups[0], 'position' => 9, 'words' => 'passing', 'folded' => ['title' => 'passing'],
            ]);
            app(CatalogueStore::class)->forget();
            $definition = fn (string $name): array => ['name' => $name, 'source' => ['items' => ['plant']], 'where' => [
                'all' => [['field' => 'groups', 'test' => 'anyOf', 'value' => ["passing-{$round}"]]],
            ]];
            $module = app(ModuleStore::class)->apply(app(ModuleStore::class)->read(
                ['format' => 1, 'key' => "kept-{$round}"] + $definition('Kept'),
            ));
            $answers = $this->atOnce([
                ['DELETE', "/manage/api/terms/{$term->id}", []],
                ['POST', '/manage/api/modules', ['name' => 'Made', 'definition' => $definition('Made')]],
                ['PUT', "/manage/api/modules/kept-{$round}/draft", [
                    'revision' => $module->revision,
                    'definition' => ['format' => 1, 'key' => "kept-{$round}"] + $definition('Changed'),
                ]],
                ['POST', "/manage/api/modules/kept-{$round}/publish", ['revision' => $module->revision]],
            ]);
            $strange = array_diff(array_column($answers, 'status'), [200, 201, 409, 422]);
            $this->assertSame([], $strange, (string) json_encode($answers));
        }
    }

    public function test_two_moves_at_once_put_no_term_below_itself(): void
    {
        [$ferns, $mosses] = $this->terms('Ferns', 'Mosses');
        for ($round = 1; $round <= self::ROUNDS; $round++) {
            DB::table('terms')->whereIn('id', [$ferns, $mosses])->update(['parent_id' => null]);
            $moves = $this->atOnce([
                ['POST', "/manage/api/terms/{$ferns}/move", ['parent' => $mosses, 'position' => 0]],
                ['POST', "/manage/api/terms/{$mosses}/move", ['parent' => $ferns, 'position' => 0]],
            ]);
            $this->assertEqualsCanonicalizing([200, 422], array_column($moves, 'status'), (string) json_encode($moves));
        }
        DB::table('terms')->whereIn('id', [$ferns, $mosses])->update(['parent_id' => null]);
        $other = $this->other();
        $other->update('update terms set parent_id = ? where id = ?', [$mosses, $ferns]);
        $second = $this->psql("update terms set parent_id = {$ferns} where id = {$mosses}");
        $this->waitUntilBlocked($second);
        $other->commit();
        $this->assertStringContainsString('cannot stand below itself', $second->wait()->errorOutput());
    }

    public function test_two_terms_tied_to_an_item_at_once_both_count(): void
    {
        [$ferns, $mosses] = $this->terms('Ferns', 'Mosses');
        $item = $this->plant(['title' => 'Lady fern'])->id;
        $other = $this->other();
        $other->insert('insert into item_term (item_id, term_id) values (?, ?)', [$item, $ferns]);
        $second = $this->psql("insert into item_term (item_id, term_id) values ({$item}, {$mosses})");
        $this->waitUntilBlocked($second);
        $other->commit();
        $second->wait();
        $both = fn (): string => (string) DB::table('items')->where('id', $item)->value('term_ids');
        $this->assertSame("{{$ferns},{$mosses}}", $both());
        DB::statement("update items set term_ids = '{{$ferns}}' where id = ?", [$item]);
        Artisan::call('wellspring:tidy');
        $this->assertStringContainsString('Mended the terms of 1 item.', Artisan::output());
        $this->assertSame("{{$ferns},{$mosses}}", $both());
    }

    public function test_an_item_made_beside_a_change_of_its_type_has_the_new_keys_or_is_refused(): void
    {
        $renamed = Garden::plantFile();
        $renamed['properties']['cost'] = $renamed['properties']['price'];
        unset($renamed['properties']['price']);
        $change = ['PUT', '/manage/api/types', ['file' => $renamed, 'renamed' => ['price' => 'cost'], 'revision' => 1]];
        $create = ['POST', '/manage/api/items', ['type' => 'plant', 'values' => ['title' => 'Fern', 'price' => 3]]];

        $other = $this->other();
        $other->select("select 1 from types where key = 'plant' for share");
        $changing = $this->start($change, microtime(true));
        $this->waitUntilBlocked($changing);
        $other->insert(
            "insert into items (type_key, slug, title, publish_at, fields, folded) values ('plant', 'moss', 'Moss', "
                ."now(), '{\"price\": 4}', '{\"title\": \"moss\"}')",
        );
        $other->commit();
        $this->assertSame(200, self::answer($changing)['status']);
        $this->assertSame(['{"cost": 4}'], DB::table('items')->pluck('fields')->all());

        $other = $this->other();
        $other->update("update types set revision = revision + 1 where key = 'plant'");
        $create[2]['values'] = ['title' => 'Fern', 'cost' => 3];
        $creating = $this->start($create, microtime(true));
        $this->waitUntilBlocked($creating);
        $other->commit();
        $refused = self::answer($creating);
        $this->assertSame([422, 'changedSince'], [$refused['status'], $refused['body']['problems'][0]['code']]);
        $this->assertSame(201, self::answer($this->start($create, microtime(true)))['status']);
    }

    /** @return list<int> ids of new terms at the top of the plant groups */
    private function terms(string ...$names): array
    {
        return array_map(fn (string $name): int => Term::query()->create([
            'taxonomy_key' => 'groups', 'slug' => strtolower("new-{$name}"), 'name' => $name, 'position' => 9,
            'words' => strtolower($name), 'folded' => ['title' => strtolower($name)],
        ])->id, array_values($names));
    }

    /** A second connection, in a transaction. */
    private function other(): Connection
    {
        $other = DB::connection('progress');
        $other->beginTransaction();

        return $other;
    }

    /** A statement in a session of its own, which may have to wait for another. */
    private function psql(string $statement): InvokedProcess
    {
        $config = DB::connection()->getConfig();

        return Process::env(['PGPASSWORD' => (string) $config['password']])->start([
            'psql', '-h', (string) $config['host'], '-p', (string) $config['port'], '-U', (string) $config['username'],
            '-d', DB::connection()->getDatabaseName(), '-c', $statement,
        ]);
    }

    private function waitUntilBlocked(InvokedProcess $process): void
    {
        for ($tries = 0; $tries < 500; $tries++) {
            if (DB::scalar("select count(*) from pg_stat_activity where wait_event_type = 'Lock' and datname = "
                .'current_database()') > 0) {
                return;
            }
            usleep(20_000);
        }
        $this->fail('It waited for nobody: '.$process->output().$process->errorOutput());
    }

    /** Rows go in for seconds, in one transaction; whoever saves an item of the type meanwhile waits for none of it. */
    public function test_a_long_import_stops_nobody(): void
    {
        $known = $this->plant(['title' => 'Fern', 'slug' => 'fern']);
        $rows = "slug,title,groups\n".implode(
            '',
            array_map(fn (int $n): string => "row-{$n},Row {$n},Perennials > Ferns\n", range(1, 4000)),
        );
        $import = Process::env($this->environment())->start([
            'php',
            base_path('artisan'),
            'wellspring:items:import',
            '--type=plant',
            $this->file('csv', $rows),
        ]);
        $slowest = $saved = 0;
        $started = microtime(true);
        while ($import->running()) {
            $begun = microtime(true);
            $this->app->forgetScopedInstances();
            $answer = $this->actingAs($this->manager)->putJson(
                "/manage/api/items/{$known->id}",
                ['revision' => $known->refresh()->revision, 'values' => ['height' => ++$saved]],
            );
            $answer->assertOk();
            $slowest = max($slowest, microtime(true) - $begun);
            usleep(100_000);
        }
        $this->assertSame(0, $import->wait()->exitCode(), $import->errorOutput());
        $this->assertSame(4001, Item::query()->count());
        $this->assertGreaterThan(10, $saved, 'the import takes a while');
        $this->assertLessThan((microtime(true) - $started) / 4, $slowest, 'of the seconds that the import takes');
    }

    /** The import and the edit both write many of the same items, in orders of their own. */
    public function test_an_import_that_changes_items_beside_an_edit_of_many_ends_well(): void
    {
        $items = array_map(
            fn (int $n): Item => $this->plant(['title' => "Plant {$n}", 'slug' => "plant-{$n}"]),
            range(1, 120),
        );
        $rows = "slug,title\n".implode(
            '',
            array_map(fn (int $n): string => "plant-{$n},Imported {$n}\n", range(120, 1)),
        );
        $import = Process::env($this->environment())->start([
            'php',
            base_path('artisan'),
            'wellspring:items:import',
            '--type=plant',
            '--update',
            $this->file('csv', $rows),
        ]);
        $ids = array_map(fn (Item $item): int => $item->id, $items);
        while ($import->running()) {
            $answers = $this->atOnce([[
                'POST',
                '/manage/api/items/many',
                [
                    'type' => 'plant',
                    'do' => 'set',
                    'ids' => $ids,
                    'with' => ['values' => ['height' => random_int(1, 1000)]],
                ],
            ]]);
            $this->assertSame(200, $answers[0]['status'], (string) json_encode($answers));
        }
        $this->assertSame(0, $import->wait()->exitCode(), $import->output().$import->errorOutput());
        $this->assertSame(120, Item::query()->where('title', 'like', 'Imported %')->count());
    }

    /** As php-fpm's pools ask for: nobody waits for ever for what somebody else has locked. */
    public function test_a_lock_that_is_not_had_is_told_with_who_has_it_and_since_when(): void
    {
        $fern = $this->plant(['title' => 'Fern', 'slug' => 'fern']);
        Import::query()->create([
            'type_key' => 'plant', 'name' => 'plants.csv', 'file' => '', 'columns' => [], 'state' => 'writing',
        ]);
        // Nobody waits for what only reads.
        Task::query()->create([
            'kind' => ExportFile::key(), 'title' => 'Export 7 plants', 'input' => [], 'state' => 'running',
        ]);
        $other = DB::connection('progress');
        $other->beginTransaction();
        $other->select('select id from items where id = ? for update', [$fern->id]);
        DB::statement("set lock_timeout = '200ms'");
        try {
            $answer = $this->actingAs($this->manager)
                ->putJson("/manage/api/items/{$fern->id}", ['revision' => 1, 'values' => ['height' => 7]])
                ->assertStatus(409);
            $this->assertMatchesRegularExpression(
                '/^Somebody is changing this now: Importing plants.csv, since \d\d:\d\d\. Nothing was written/',
                (string) $answer->json('message'),
            );
        } finally {
            $other->rollBack();
            DB::statement('reset lock_timeout');
        }
        $this->actingAs($this->manager)
            ->putJson("/manage/api/items/{$fern->id}", ['revision' => 1, 'values' => ['height' => 7]])
            ->assertOk();
    }

    /** A slug that an import is about to take does not stop the search for a free one beside it. */
    public function test_a_title_is_free_again_once_others_have_decided(): void
    {
        $other = DB::connection('progress');
        $other->beginTransaction();
        $other->table('items')->insert([
            'type_key' => 'plant',
            'slug' => 'fern',
            'title' => 'Fern',
            'created_at' => now(),
            'updated_at' => now(),
        ]);
        $save = $this->start(
            ['POST', '/manage/api/items', ['type' => 'plant', 'values' => ['title' => 'Fern']]],
            microtime(true),
        );
        usleep(1_200_000);
        $other->rollBack();
        $this->assertSame(
            'fern',
            self::answer($save)['body']['values']['slug'],
            'what was not taken in the end is free',
        );
    }

    /**
     * @param  array<string, mixed>|\Closure(int): array<string, mixed>  $body
     * @return list<array{status: int, body: mixed, seconds: float}>
     */
    private function twice(string $method, string $path, array|\Closure $body): array
    {
        $of = fn (int $n): array => [$method, $path, is_array($body) ? $body : $body($n)];

        return $this->atOnce([$of(0), $of(1)]);
    }

    /**
     * @param  list<array{string, string, array<string, mixed>}>  $requests
     * @return list<array{status: int, body: mixed, seconds: float}>
     */
    private function atOnce(array $requests): array
    {
        $at = microtime(true) + 0.35 + 0.05 * count($requests);

        return array_map(
            self::answer(...),
            array_map(fn (array $request): InvokedProcess => $this->start($request, $at), $requests),
        );
    }

    /** @param  array{string, string, array<string, mixed>}  $request */
    private function start(array $request, float $at): InvokedProcess
    {
        return Process::env($this->environment())->start([
            'php',
            base_path('tests/Support/request.php'),
            (string) $this->manager->id,
            (string) $at,
            $request[0],
            $request[1],
            json_encode($request[2], JSON_THROW_ON_ERROR),
        ]);
    }

    /** @return array{status: int, body: mixed, seconds: float} */
    private static function answer(InvokedProcess $process): array
    {
        $result = $process->wait();
        $answer = json_decode($result->output(), true);

        if (! is_array($answer) || ! is_int($answer['status'] ?? null)) {
            throw new \RuntimeException($result->output().$result->errorOutput());
        }

        return [
            'status' => $answer['status'],
            'body' => $answer['body'] ?? null,
            'seconds' => (float) $answer['seconds'],
        ];
    }

    /** @return array<string, string> */
    private function environment(): array
    {
        return [
            'APP_ENV' => 'testing',
            'DB_DATABASE' => DB::connection()->getDatabaseName(),
            'DB_PERSISTENT' => 'false',
            'CACHE_STORE' => 'database',
            'SESSION_DRIVER' => 'array',
            'QUEUE_CONNECTION' => 'sync',
        ];
    }
}
