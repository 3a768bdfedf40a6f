<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Audit\AuditTrail;
use App\Catalogue\CatalogueStore;
use App\Catalogue\ValueColumns;
use App\Content\Taxonomies\TermWriter;
use App\Export\ItemExport;
use App\Import\Csv;
use App\Import\ImportPlan;
use App\Import\ItemImport;
use App\Media\MediaStore;
use App\Models\AuditEntry;
use App\Models\Change;
use App\Models\Item;
use App\Models\ItemLink;
use App\Models\Media;
use App\Models\Task;
use App\Models\Taxonomy;
use App\Models\Term;
use App\Models\User;
use App\Modules\ModuleStore;
use App\People\DemoAccounts;
use App\People\People;
use Database\Seeders\Demo\DemoSite;
use Illuminate\Database\QueryException;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Sleep;
use Tests\Support\Garden;
use Wellspring\Core\Content\File\TaxonomyFile;
use Wellspring\Core\Content\File\TypeFile;
use Wellspring\Core\Problem\Refused;

/** Nobody sees, does or smuggles in what they should not; and what was done can be told. */
final class SafetyTest extends TestCase
{
    public function test_text_with_markup_is_made_safe_wherever_it_is_stored(): void
    {
        $this->plantType();
        $evil = '<p onclick="x()">Loam</p><script>x()</script><img src="/media/a.webp" onerror="x()">';
        $fields = ['properties' => ['story' => ['title' => 'Story', 'x-wellspring' => ['kind' => 'longText']]]];
        app(TermWriter::class)->apply(
            TaxonomyFile::read(
                [
                    'format' => 1,
                    'key' => 'beds',
                    'label' => 'Beds',
                    'terms' => [['name' => 'Bog', 'description' => $evil, 'fields' => ['story' => $evil]]],
                ] + $fields,
            ),
        );
        $this->actingAs($this->manager());
        $bog = Term::query()->where('slug', 'bog')->firstOrFail();
        $this->postJson(
            '/manage/api/taxonomies/beds/terms',
            ['term' => ['name' => 'Dell', 'description' => $evil, 'fields' => ['story' => $evil]]],
        )->assertCreated();
        $this->putJson(
            "/manage/api/terms/{$bog->id}",
            [
                'revision' => $this->revision('terms', $bog->id),
                'term' => ['name' => 'Bog', 'slug' => 'bog', 'fields' => ['story' => $evil]],
            ],
        )->assertOk();
        $this->plant(['title' => 'Fern', 'text' => $evil, 'story' => $evil]);
        $stored = json_encode([
            Term::query()->get(['description', 'fields']),
            Item::query()->get(['text', 'fields']),
            DB::table('item_revisions')->pluck('values'),
        ]);
        $this->assertStringContainsString('Loam', (string) $stored);
        $this->assertDoesNotMatchRegularExpression('/<script|onclick|onerror|x\(\)/', (string) $stored);

        // A text is made safe before its preview shows it.
        $html = (string) $this->postJson('/manage/api/texts/preview', ['html' => $evil])->assertOk()->json('html');
        $this->assertStringContainsString('<div class="prose"><p>Loam</p>', $html);
        $this->assertStringNotContainsString('x()', $html);
        $deep = str_repeat('<div>', 101);
        $this->postJson('/manage/api/texts/preview', ['html' => $deep])
            ->assertUnprocessable()
            ->assertSee('elements inside');

        // What an older version stored is made safe once.
        DB::table('terms')
            ->where('id', $bog->id)
            ->update(['description' => $evil, 'fields' => json_encode(['story' => $evil])]);
        DB::table('items')->update([
            'title' => "Fern\u{A0}",
            'fields' => DB::raw("fields || '{\"nickname\": \"Lady\u{2003}\", \"height\": 12}'"),
        ]);
        DB::table('items')->update(['text' => "<body inert><p>Loam</p><plaintext>{$evil}"]);
        DB::table('value_columns')->delete();
        $this->assertSame(0, Artisan::call('wellspring:upgrade'));
        $this->assertDoesNotMatchRegularExpression(
            '/<script|onclick|onerror/',
            (string) json_encode(Term::query()->get(['description', 'fields'])),
        );
        $this->assertSame(
            ['Fern', 'Lady', 'lady'],
            [
                Item::query()->value('title'),
                Item::query()->firstOrFail()->fields['nickname'],
                Item::query()->firstOrFail()->folded['nickname'],
            ],
        );
        $this->assertSame('<p>Loam</p>', Item::query()->value('text'));
        $this->assertSame('loam', Item::query()->firstOrFail()->folded['text']);
        $column = app(ValueColumns::class)->of('plant')['height'];
        $this->assertSame('12', DB::table('items')->value($column), 'a type of an older version gets its columns');
        DB::table('terms')->where('id', $bog->id)->update(['description' => $evil]);
        Artisan::call('wellspring:upgrade');
        $this->assertSame($evil, Term::query()->where('id', $bog->id)->value('description'), 'done once');
    }

    public function test_a_new_password_and_signing_out_everywhere_end_every_other_session_under_every_driver(): void
    {
        $people = app(People::class);
        $user = $this->manager();
        $begin = function () use ($user): void {
            $this->app['auth']->forgetGuards();
            $this->flushSession();
            $this->actingAs($user->refresh());
        };
        foreach (['array', 'file', 'database'] as $driver) {
            config(['session.driver' => $driver]);
            $this->app->forgetInstance('session.store');
            $doings = [
                401 => fn () => $people->signOutEverywhere($user),
                200 => fn () => $people->update($user, $user->name, 'manager', true, []),
            ];
            foreach ($doings as $status => $do) {
                $begin();
                $this->getJson('/manage/api/start')->assertOk();
                $do();
                $this->actingAs($user->refresh())->getJson('/manage/api/start')->assertStatus($status);
            }
        }
        $begin();
        $user->update(['password' => 'a long password']);
        $this->getJson('/manage/api/start')->assertOk();
        $elsewhere = [User::SESSION_KEY => $user->session_key];
        $change = ['current' => 'a long password', 'password' => 'a longer password'];
        $this->putJson('/manage/api/password', $change)->assertOk();
        $this->actingAs($user->refresh())->getJson('/manage/api/start')->assertOk();
        $this->withSession($elsewhere)->getJson('/manage/api/start')->assertUnauthorized();
    }

    public function test_signing_in_and_searching_are_limited_and_a_search_leaves_nothing_behind(): void
    {
        Sleep::fake();
        $this->plantType();
        $this->manager();
        $send = fn (string $email, string $from, string $password) => $this
            ->withServerVariables(['REMOTE_ADDR' => $from])
            ->postJson('/manage/api/sign-in', ['email' => $email, 'password' => $password]);
        $try = fn (string $email, string $from = '127.0.0.1') => $send($email, $from, 'wrong')
            ->json('problems.0.message');
        foreach (range(1, 5) as $n) {
            $this->assertStringStartsWith('This e-mail', $try('m@example.org'));
        }
        $this->assertStringStartsWith('Too many', $try('m@example.org'), 'one network for one person');
        foreach (range(1, 15) as $n) {
            $this->assertStringStartsWith('This e-mail', $try("guess{$n}@example.org"));
        }
        $this->assertStringStartsWith('Too many', $try('somebody@example.org'), 'one network for anybody');
        $this->assertStringStartsWith('Too many', $send('m@example.org', '127.0.0.1', 'a long password')
            ->json('problems.0.message'), 'the right password, too');
        // An IPv6 network of 64 bits is one client.
        foreach (range(1, 5) as $n) {
            $this->assertStringStartsWith('This e-mail', $try('m@example.org', "2001:db8::{$n}"));
        }
        $this->assertStringStartsWith('Too many', $try('m@example.org', '2001:db8:0:0:ffff::1'));
        // Wrong tries from everywhere slow the person down, and shut nobody out.
        foreach (range(1, 20) as $n) {
            $try('m@example.org', "10.0.0.{$n}");
        }
        Sleep::assertSleptTimes(10);
        $send('m@example.org', '10.0.1.1', 'a long password')->assertOk();
        Sleep::assertSleptTimes(11);

        $this->plant(['title' => 'Fern', 'publish_at' => '2026-01-01']);
        $this->withServerVariables(['REMOTE_ADDR' => '127.0.0.2'])->get('/search?q=first')->assertOk();
        $rows = DB::table('cache')->count();
        foreach (range(1, 40) as $n) {
            $this->get("/search?q=fern{$n}")->assertOk();
        }
        $this->assertSame($rows, DB::table('cache')->count());
        foreach (range(1, 19) as $n) {
            $this->get('/search?q=fern')->assertOk();
        }
        $this->get('/search?q=fern')->assertStatus(429)->assertHeader('Retry-After');
    }

    public function test_exports_passwords_and_letters_are_limited_by_account_and_by_address(): void
    {
        Storage::fake('exports');
        $this->plantType();
        $manager = $this->manager();
        $other = User::query()
            ->create([
                'name' => 'Osric', 'email' => 'o@example.org', 'role' => 'manager', 'password' => 'a long password',
            ])
            ->refresh();
        $from = fn (string $address) => $this->withServerVariables(['REMOTE_ADDR' => $address]);
        $export = fn (User $who, string $address): int => $from($address)
            ->actingAs($who)
            ->postJson('/manage/api/exports/plant', ['format' => 'csv'])
            ->getStatusCode();
        $this->assertSame(
            array_fill(0, 10, 200),
            array_map(fn (int $n): int => $export($manager, "10.0.0.{$n}"), range(1, 10)),
        );
        $this->assertSame([429, 200], [$export($manager, '10.0.0.11'), $export($other, '10.0.0.1')]);
        $answers = array_map(fn (int $n): int => $from('10.0.1.1')->actingAs($other)->putJson('/manage/api/password', [
            'current' => 'wrong', 'password' => 'another long password',
        ])->getStatusCode(), range(1, 11));
        $this->assertSame([...array_fill(0, 10, 422), 429], $answers);
        app('auth')->forgetGuards();
        $letter = fn (int $n): int => $from("10.0.2.{$n}")
            ->post('/account/password', ['email' => 'M@example.org'])
            ->getStatusCode();
        $this->assertSame([302, 429], [max(array_map($letter, range(1, 10))), $letter(11)], 'whoever asks');
    }

    public function test_a_module_that_names_a_lost_term_is_logged_once_and_stops_nothing_else(): void
    {
        $log = $this->file('log', '');
        config(['logging.default' => 'lines', 'logging.channels.lines.handler_with.stream' => $log]);
        $this->plantType();
        $this->plant(['title' => 'Fern', 'groups' => ['perennials']]);
        $module = app(ModuleStore::class)->read([
            'format' => 1, 'key' => 'ferns', 'name' => 'Ferns', 'source' => ['items' => ['plant']],
            'where' => ['all' => [['field' => 'groups', 'test' => 'anyOf', 'value' => ['ferns']]]],
        ]);
        $this->placeOn($this->pageAt('/ferns'), $module);
        // As nobody but the database itself can do it.
        DB::statement("update terms set slug = 'gone' where slug = 'ferns'");
        app(CatalogueStore::class)->forget();
        foreach (range(1, 3) as $time) {
            $this->get('/ferns')->assertOk();
        }
        $lines = array_filter(
            array_map(fn (string $line): mixed => json_decode($line, true), file($log) ?: []),
            fn (mixed $line): bool => is_array($line) && str_contains($line['message'], '“ferns” cannot be read'),
        );
        $this->assertCount(1, $lines);
        $extra = array_values($lines)[0]['extra'];
        $this->assertSame('GET /{path?}', $extra['route']);
        $this->assertGreaterThan(0, $extra['queries']);
        $this->assertArrayNotHasKey('origin', $extra, 'no address of a visitor');

        $this->actingAs($this->manager());
        $this->assertSame(
            ['attention'],
            array_column((array) $this->getJson('/manage/api/modules')->assertOk()->json(), 'state'),
        );
        $this->putJson('/manage/api/types', ['file' => [
            '$schema' => TypeFile::DRAFT, 'title' => 'Tool', 'type' => 'object', 'properties' => new \stdClass,
            'x-wellspring' => ['format' => 1, 'key' => 'tool', 'address' => '/tools/{slug}'],
        ]])->assertSuccessful();
    }

    public function test_authors_learn_no_addresses_of_others_and_no_titles_of_what_is_not_theirs(): void
    {
        $this->plantType();
        $this->manager();
        $author = User::query()
            ->create(['name' => 'Osric Vale', 'email' => 'o@example.org', 'role' => 'author'])
            ->refresh();
        $ada = User::query()->create(['name' => 'Ada', 'email' => 'ada@example.org'])->refresh();
        $this->plant(['title' => 'Secret draft', 'slug' => 'secret', 'status' => 'draft', 'picture' => null]);
        $this->plant(['title' => 'Public fern', 'slug' => 'public', 'publish_at' => '2026-01-01']);
        Media::query()->create([
            'name' => 'a.webp',
            'kind' => 'picture',
            'mime' => 'image/jpeg',
            'width' => 4,
            'height' => 4,
            'bytes' => 1,
            'sizes' => [],
        ]);
        DB::table('items')->where('slug', 'secret')->update(['fields' => json_encode(['picture' => 'a.webp'])]);
        $this->actingAs($author);
        $made = $this->postJson(
            '/manage/api/items',
            [
                'type' => 'plant',
                'values' => ['title' => 'Mine', 'keeper' => $ada->slug, 'friends' => ['secret', 'public']],
            ],
        )->assertCreated();
        $id = $made->json('id');
        $this->assertSame(
            $ada->id,
            ItemLink::query()->where(['item_id' => $id, 'field' => 'keeper'])->value('person_id'),
            'named by slug',
        );
        $this->postJson(
            '/manage/api/items',
            ['type' => 'plant', 'values' => ['title' => 'Mine too', 'slug' => 'secret']],
        )->assertUnprocessable();
        $this->putJson("/manage/api/items/{$id}", ['revision' => 1, 'values' => ['height' => 4]])->assertOk();
        $told = '';
        foreach ([
            'start', 'items?type=plant', "items/{$id}", "items/{$id}/revisions", "items/{$id}/shown", 'media',
            'changes', 'find?q=secret', 'presets/plant',
        ] as $path) {
            $told .= $this->getJson("/manage/api/{$path}")->assertOk()->getContent();
        }
        $told .= $this->putJson("/manage/api/items/{$id}", ['revision' => 1, 'values' => ['height' => 5]])
            ->assertStatus(409)
            ->getContent();
        $told .= $this->postJson(
            '/manage/api/items',
            ['type' => 'plant', 'values' => ['title' => 'x', 'slug' => 'secret']],
        )
            ->assertUnprocessable()
            ->getContent();
        foreach (['ada@example.org', 'm@example.org', 'Secret draft'] as $secret) {
            $this->assertStringNotContainsString($secret, $told);
        }
        $this->assertStringContainsString('Public fern', $told, 'what visitors may see is no secret');
        $titles = (array) $this->getJson("/manage/api/items/{$id}")->json('linked.friends.*.title');
        sort($titles);
        $this->assertSame(['Public fern', 'secret'], $titles);
        $this->actingAs(User::query()->where('email', 'm@example.org')->firstOrFail());
        $this->assertSame('ada@example.org', $this->getJson("/manage/api/items/{$id}")->json('values.keeper'));
    }

    public function test_the_log_holds_no_values_of_queries_and_no_secrets_of_links(): void
    {
        $log = $this->file('log', '');
        config(['logging.default' => 'lines', 'logging.channels.lines.handler_with.stream' => $log]);
        $this->manager();
        try {
            DB::transaction(fn () => User::query()->create(['name' => 'x', 'email' => 'm@example.org']));
            $this->fail('The address was free.');
        } catch (QueryException $fault) {
            report($fault);
        }
        try {
            DB::transaction(fn () => DB::select('select ?::bigint', ['a secret of mine']));
            $this->fail('It was a number.');
        } catch (QueryException $fault) {
            report(new \RuntimeException('Around it', previous: $fault));
        }
        Log::warning('GET /account/welcome/SECRETSECRET?x=1 took long');
        $lines = (string) file_get_contents($log);
        $this->assertSame(3, substr_count($lines, "\n"), $lines);
        $this->assertStringContainsString('users_email_unique', $lines, 'what is wrong is told');
        $this->assertStringContainsString('account/welcome', $lines);
        foreach (['m@example.org', 'a secret of mine', 'SECRETSECRET'] as $secret) {
            $this->assertStringNotContainsString($secret, $lines);
        }
    }

    public function test_authors_cannot_try_addresses_and_open_no_closed_file(): void
    {
        $this->plantType();
        $manager = $this->manager();
        $author = User::query()
            ->create(['name' => 'Osric Vale', 'email' => 'o@example.org', 'role' => 'author'])
            ->refresh();
        $ada = User::query()->create(['name' => 'Ada', 'email' => 'ada@example.org'])->refresh();
        $this->actingAs($author);
        $make = fn (array $values) => $this->postJson(
            '/manage/api/items',
            ['type' => 'plant', 'values' => ['title' => 'Mine'] + $values],
        );
        $mine = $make(['keeper' => $ada->slug])->assertCreated()->json('id');
        $addresses = ['ada@example.org', 'ADA@example.org ', 'nobody@example.org'];
        // Whether it is somebody's or nobody's, an address gets the same answer.
        $answers = array_map(fn (string $address): array => [
            $make(['keeper' => $address])->assertUnprocessable()->json('problems'),
            $this->putJson("/manage/api/items/{$mine}", ['revision' => 1, 'values' => ['keeper' => $address]])
                ->assertUnprocessable()->json('problems'),
            $this->postJson('/manage/api/items/many', [
                'type' => 'plant', 'ids' => [$mine], 'do' => 'set', 'with' => ['values' => ['keeper' => $address]],
            ])->assertUnprocessable()->json('problems'),
            $this->getJson('/manage/api/items?type=plant&where='.urlencode((string) json_encode(
                ['all' => [['any' => [['field' => 'keeper', 'test' => 'anyOf', 'value' => [$address]]]]]],
            )))->assertUnprocessable()->json('problems'),
            $this->putJson('/manage/api/items/draft', ['type' => 'plant', 'values' => ['keeper' => $address]])
                ->assertOk()->getStatusCode(),
            $this->getJson('/manage/api/items/new/plant')->assertOk()->json('draft.values.keeper'),
        ], $addresses);
        $this->assertSame($answers[0], $answers[1]);
        $this->assertSame($answers[0], $answers[2]);
        $where = fn (string $slug): int => $this->getJson('/manage/api/items?type=plant&where='.urlencode(
            (string) json_encode(['all' => [['field' => 'keeper', 'test' => 'anyOf', 'value' => [$slug]]]]),
        ))->assertOk()->json('total');
        $this->assertSame(1, $where((string) $ada->slug), 'by the name that the list gives');

        $file = fn (string $name, ?User $by) => Media::query()->create([
            'name' => $name, 'kind' => 'picture', 'mime' => 'image/jpeg', 'width' => 4, 'height' => 4, 'bytes' => 1,
            'sizes' => [], 'user_id' => $by?->id,
        ]);
        array_map($file, ['own.webp', 'closed.webp', 'open.webp', 'inside.webp'], [$author, $manager, $manager, null]);
        $this->plant(['title' => 'Open', 'picture' => 'open.webp', 'publish_at' => '2026-01-01']);
        $this->plant([
            'title' => 'Inside', 'picture' => 'inside.webp', 'publish_at' => '2026-01-01', 'audience' => ['members'],
        ]);
        $this->plant(['title' => 'Draft', 'picture' => 'closed.webp', 'status' => 'draft']);
        foreach (['own.webp', 'open.webp'] as $name) {
            $make(['picture' => $name, 'text' => "<p><img src=\"/media/w400/{$name}\"></p>"])->assertCreated();
        }
        $inside = $make(['picture' => 'inside.webp', 'audience' => ['members']])->assertCreated()->json('id');
        $this->putJson("/manage/api/items/{$inside}", ['revision' => 1, 'values' => ['audience' => ['everyone']]])
            ->assertUnprocessable()->assertJsonPath('problems.0.code', 'closedFile');
        $this->postJson('/manage/api/items/many', [
            'type' => 'plant', 'ids' => [$inside], 'do' => 'set', 'with' => ['values' => ['audience' => ['everyone']]],
        ])->assertUnprocessable();
        foreach (['closed.webp', 'inside.webp'] as $name) {
            $jpeg = str_replace('webp', 'jpg', $name);
            foreach ([
                'picture' => ['picture' => $name], 'text' => ['text' => "<img src=\"/media/w400/{$jpeg}\">"],
            ] as $field => $values) {
                foreach ([
                    $make($values),
                    $this->putJson("/manage/api/items/{$mine}", ['revision' => 1, 'values' => $values]),
                ] as $answer) {
                    $answer->assertUnprocessable()->assertJsonPath('problems.0.path', $field)
                        ->assertJsonPath('problems.0.code', 'closedFile');
                }
            }
            $this->postJson('/manage/api/items/many', [
                'type' => 'plant', 'ids' => [$mine], 'do' => 'set', 'with' => ['values' => ['picture' => $name]],
            ])->assertUnprocessable();
        }
        $this->assertFalse((bool) DB::scalar("select media_is_open('closed.webp', '{everyone,signed-out}', now())"));
        // A file that a manager has put into an author's item stays.
        $this->actingAs($manager)
            ->putJson("/manage/api/items/{$mine}", ['revision' => 1, 'values' => ['picture' => 'closed.webp']])
            ->assertOk();
        $this->actingAs($author)
            ->putJson("/manage/api/items/{$mine}", ['revision' => 2, 'values' => ['height' => 4]])
            ->assertOk();
    }

    /**
     * Source of the rule: OWASP, CSV Injection, as recalled from memory: cells that begin with = + - @, tab or return.
     */
    public function test_exported_cells_are_no_formulas_and_come_back_as_they_were(): void
    {
        $type = $this->plantType();
        $texts = ['=1+1', '+cmd', '-x', '@SUM(A1)', "'=quoted", "''@twice", "'plain", 'a=b', '-', '=', '-4', '+4.20'];
        foreach ($texts as $i => $text) {
            $this->plant(['title' => $text, 'slug' => "p{$i}", 'height' => -4 - $i]);
        }
        foreach ([false, true] as $plain) {
            $csv = implode('', iterator_to_array(app(ItemExport::class)->write($type, 'csv', $plain), false));
            $formulas = array_filter(
                array_merge(...iterator_to_array(Csv::rows($this->file('csv', $csv)), false)),
                fn (string $cell): bool => preg_match('/^[=+\-@\t\r]/', $cell) === 1 && ! is_numeric($cell),
            );
            $plain ? $this->assertNotSame([], $formulas) : $this->assertSame([], $formulas);
            $this->assertStringContainsString(',-4,', $csv, 'numbers stay numbers');
            Item::query()->delete();
            $result = app(ItemImport::class)->run(
                $this->file('csv', $csv),
                $type,
                new ImportPlan(plain: $plain),
                fn (string $phase, int $done) => null,
            );
            $this->assertSame([[], count($texts)], [$result->problems, $result->created]);
            $this->assertSame($texts, Item::query()->orderBy('id')->pluck('title')->all());
        }
    }

    public function test_the_demos_password_opens_no_other_site_and_the_first_manager_is_made_on_the_server(): void
    {
        $this->get('/manage/sign-in')->assertSee('wellspring:manager');
        $demo = User::query()->create([
            'name' => 'Marigold',
            'email' => DemoSite::EMAIL,
            'password' => DemoAccounts::PASSWORD,
            'role' => 'manager',
        ]);
        $signIn = fn () => $this->postJson(
            '/manage/api/sign-in',
            ['email' => DemoSite::EMAIL, 'password' => DemoAccounts::PASSWORD],
        );
        config(['app.url' => 'https://garden.example', 'site.hosts' => 'localhost']);
        $signIn()->assertUnprocessable()->assertSee('opens no other site');
        $manager = $this->manager();
        $this->actingAs($manager)->getJson('/manage/api/start')->assertJson(['demoPassword' => true]);
        $this->assertSame(
            [true, false],
            array_column($this->getJson('/manage/api/people')->json('people'), 'demoPassword'),
        );
        $demo->update(['password' => 'another one now']);
        $this->getJson('/manage/api/start')->assertJson(['demoPassword' => false]);
        $manager->update(['password' => 'a long password']);
        $this->putJson(
            '/manage/api/password',
            ['current' => 'a long password', 'password' => DemoAccounts::PASSWORD],
        )->assertUnprocessable();
        config(['app.url' => 'http://127.0.0.1:8080']);
        $demo->update(['password' => DemoAccounts::PASSWORD]);
        Auth::logout();
        $signIn()->assertOk();

        Auth::logout();
        $this->assertSame(0, Artisan::call('wellspring:manager', ['email' => 'Wren@Example.org', '--name' => 'Wren']));
        $link = trim(Artisan::output());
        $this->get((string) parse_url($link, PHP_URL_PATH))->assertOk()->assertSee('Welcome, Wren');
        $this->post(
            (string) parse_url($link, PHP_URL_PATH),
            ['password' => 'a wren in the hedge', 'password_confirmation' => 'a wren in the hedge'],
        )->assertRedirect('/manage');
        $this->assertTrue(User::query()->where('email', 'wren@example.org')->firstOrFail()->isManager());
        $this->assertSame(1, Artisan::call('wellspring:manager', ['email' => 'no address']));
    }

    public function test_who_did_what_is_told_and_a_taxonomy_comes_back(): void
    {
        $this->plantType();
        $manager = $this->manager();
        $this->postJson(
            '/manage/api/sign-in',
            ['email' => 'm@example.org', 'password' => 'wrong one'],
        )->assertUnprocessable();
        $this->postJson(
            '/manage/api/sign-in',
            ['email' => 'm@example.org', 'password' => 'a long password'],
        )->assertOk();
        $id = $this->postJson(
            '/manage/api/people',
            ['name' => 'Wren', 'email' => 'wren@example.org', 'role' => 'member', 'groups' => []],
        )->json('person.id');
        $this->putJson(
            "/manage/api/people/{$id}",
            ['name' => 'Wren', 'role' => 'author', 'active' => true, 'revision' => 1],
        )->assertOk();
        $store = app(ModuleStore::class);
        $store->apply(Garden::module());
        $this->postJson('/manage/api/modules/plants/publish')->assertOk();
        $this->putJson('/manage/api/groups', ['name' => 'Friends'])->assertOk();
        $soils = Term::query()
            ->where('taxonomy_key', 'soils')
            ->orderBy('id')
            ->get(['id', 'slug', 'name', 'parent_id'])
            ->toArray();
        $removed = $this->deleteJson('/manage/api/taxonomies/soils')->assertOk()->json('change');
        $this->assertSame(
            0,
            Taxonomy::query()->where('key', 'soils')->count() + Term::query()->where('taxonomy_key', 'soils')->count(),
        );
        $this->postJson("/manage/api/changes/{$removed}/undo")->assertOk();
        $this->assertSame(
            $soils,
            Term::query()
                ->where('taxonomy_key', 'soils')
                ->orderBy('id')
                ->get(['id', 'slug', 'name', 'parent_id'])
                ->toArray(),
        );
        $this->assertArrayHasKey('soils', app(CatalogueStore::class)->catalogue()->taxonomies);
        $actions = AuditEntry::query()->whereNotIn('action', ['typeChanged'])->orderBy('id')->pluck('action')->all();
        $this->assertSame(
            [
                'signInFailed',
                'signedIn',
                'invited',
                'accountChanged',
                'modulePublished',
                'groupSaved',
                'taxonomyRemoved',
                'undone',
            ],
            $actions,
        );
        $role = AuditEntry::query()->where('action', 'accountChanged')->firstOrFail();
        $this->assertSame(
            ['Marigold <m@example.org>', 'Wren', '127.0.0.1', 'member', 'author'],
            [
                $role->who,
                $role->subject,
                $role->origin,
                $role->details['before']['role'],
                $role->details['after']['role'],
            ],
        );
        $this->assertSame(
            'Account changed: Wren · role: member → author · email: wren@example.org',
            $role->words(),
            'of a change, what it changed',
        );
        $this->getJson('/manage/api/audit?q=wren')->assertOk()->assertJson(['total' => 2, 'days' => 400]);
        $this->assertSame(0, Artisan::call('wellspring:audit', ['--action' => 'accountChanged', '--json' => true]));
        $this->assertSame('Wren', json_decode(Artisan::output(), true)['subject'] ?? null);
        $this->assertSame(1, Artisan::call('wellspring:audit', ['--action' => 'nothing']));
        $this->travel(401)->days();
        $this->assertGreaterThan(5, AuditTrail::prune());
        $this->assertSame(0, AuditEntry::query()->count());
        Change::query()->findOrFail($removed);
        $this->assertNotNull($manager->refresh());
    }

    public function test_large_pictures_are_decoded_beside_the_request_and_what_rolls_back_leaves_no_file(): void
    {
        Storage::fake('media');
        Storage::fake('imports');
        config([
            'site.media.pixels_in_request' => 10_000,
            'site.media.max_pixels' => 250_000,
            'queue.default' => 'database',
        ]);
        $this->actingAs($this->manager());
        $picture = fn (int $width, int $height) => UploadedFile::fake()->image("hive {$width}.png", $width, $height);
        $upload = fn (int $width, int $height) => $this->postJson(
            '/manage/api/media',
            ['file' => $picture($width, $height)],
        );
        $upload(90, 90)->assertCreated()->assertJson(['name' => 'hive-90.webp']);
        $task = $upload(300, 200)->assertStatus(202)->json('task.id');
        $this->assertSame(1, Media::query()->count());
        $this->getJson("/manage/api/tasks/{$task}")
            ->assertStatus(202)
            ->assertJson(['task' => ['state' => 'waiting', 'title' => 'Take in hive 300.png']]);
        $this->getJson('/manage/api/tasks')->assertJsonCount(1);
        Artisan::call('queue:work', ['--once' => true, '--quiet' => true]);
        $this->getJson("/manage/api/tasks/{$task}")
            ->assertOk()
            ->assertJson(['name' => 'hive-300.webp', 'width' => 300]);
        $this->assertSame([], Storage::disk('imports')->allFiles());
        $upload(600, 500)->assertUnprocessable()->assertSee('at most 250,000 pixels');
        config(['site.media.quota_mb' => 1]);
        Media::query()->where('name', 'hive-90.webp')->update(['bytes' => 1024 * 1024]);
        $upload(80, 80)->assertUnprocessable()->assertJsonPath('problems.0.code', 'quota');
        config(['site.media.quota_mb' => 0]);

        $files = Storage::disk('media')->allFiles();
        $gone = $picture(20, 20);
        DB::beginTransaction();
        app(MediaStore::class)->add((string) file_get_contents($gone->getPathname()), 'gone.png');
        $this->assertNotSame($files, Storage::disk('media')->allFiles());
        DB::rollBack();
        $this->assertSame($files, Storage::disk('media')->allFiles());
        $this->assertNull(Media::query()->where('name', 'gone.webp')->first());
    }

    public function test_long_work_is_done_beside_the_request_and_its_answer_waits(): void
    {
        $this->plantType();
        config(['queue.default' => 'database']);
        $this->actingAs($this->manager());
        $file = $this->file(
            'csv',
            "title\n".implode('', array_map(fn (int $n): string => "Plant {$n}\n", range(1, 201))),
        );
        $type = app(CatalogueStore::class)->catalogue()->types['plant'];
        $imported = app(ItemImport::class)->run(
            $file,
            $type,
            new ImportPlan,
            fn (string $phase, int $done) => null,
        )->change;
        $work = fn () => Artisan::call('queue:work', ['--once' => true, '--quiet' => true]);
        $many = $this->postJson(
            '/manage/api/items/many',
            ['type' => 'plant', 'do' => 'set', 'with' => ['values' => ['height' => 7]]],
        )
            ->assertStatus(202)
            ->assertJson(['task' => ['title' => 'Edit 201 plants', 'total' => 201]])
            ->json('task.id');
        $this->assertSame(0, Item::query()->whereRaw("fields->>'height' = '7'")->count(), 'not in the request');
        $work();
        $this->getJson("/manage/api/tasks/{$many}")->assertOk()->assertJson(['done' => 201, 'left' => []]);
        $changed = Garden::plantFile();
        unset($changed['properties']['height']);
        $task = $this->putJson(
            '/manage/api/types',
            ['file' => $changed, 'withLoss' => true, 'revision' => $this->revision('types', 'plant')],
        )
            ->assertStatus(202)
            ->json('task.id');
        $work();
        $change = $this->getJson("/manage/api/tasks/{$task}")
            ->assertOk()
            ->assertJson(['key' => 'plant'])
            ->json('change');
        foreach ([$change, $this->postJson("/manage/api/changes/{$imported}/undo")->json('task.id')] as $i => $one) {
            $undo = $i === 0 ? $this->postJson("/manage/api/changes/{$one}/undo")
                ->assertStatus(202)
                ->json('task.id') : $one;
            $this->assertNotNull($undo);
        }
        $this->assertSame(4, Task::query()->count());
        $work();
        $work();
        $this->assertSame(['done' => 4], Task::query()->get()->countBy('state')->all());
        $this->assertSame(201, Item::query()->count(), 'items that were changed since the import stay');
        $twice = $this->postJson("/manage/api/changes/{$change}/undo")->json('task.id');
        $work();
        $this->getJson("/manage/api/tasks/{$twice}")->assertUnprocessable()->assertSee('taken back already');
        $this->expectException(Refused::class);
        app(People::class)->changePassword(
            Auth::user() instanceof User ? Auth::user() : new User,
            DemoAccounts::PASSWORD,
        );
    }
}
