<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Item;
use App\Models\Media;
use App\Models\Module;
use App\Modules\ModuleStore;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Tests\Support\Garden;

/** Signing in, and what the manage screens ask of the server. */
final class ManageTest extends TestCase
{
    public function test_only_who_is_signed_in_gets_in_and_guessing_is_slowed(): void
    {
        $this->get('/manage/modules')->assertRedirect('/manage/sign-in');
        foreach ([
            'get' => ['start', 'modules', 'items?type=plant'],
            'post' => ['modules', 'bench/preview', 'items', 'media', 'imports'],
            'put' => ['items/1', 'modules/x/draft'],
        ] as $method => $paths) {
            foreach ($paths as $path) {
                $this->json($method, "/manage/api/{$path}")->assertUnauthorized();
            }
        }
        $this->manager();
        $this->post(
            '/manage/sign-in',
            ['email' => ' M@example.org ', 'password' => 'a long password'],
        )->assertRedirect('/manage/modules');
        $this->assertAuthenticated();
        $this->get('/manage/sign-in')->assertRedirect('/manage');
        $this->postJson('/manage/api/sign-out')->assertOk();
        $this->assertGuest();
        for ($try = 1; $try <= 5; $try++) {
            $this->post('/manage/sign-in', ['email' => 'x@example.org', 'password' => 'guess'])
                ->assertRedirect()
                ->assertSessionHasErrors('email');
        }
        $this->post(
            '/manage/sign-in',
            ['email' => 'X@example.org', 'password' => 'guess'],
        )->assertSessionHasErrors('email');
        $this->assertStringContainsString('Too many wrong tries', session('errors')->first('email'));
        for ($try = 1; $try <= 6; $try++) {
            $this->post(
                '/manage/sign-in',
                ['email' => 'm@example.org', 'password' => $try === 6 ? 'a long password' : 'guess'],
            )->assertRedirect();
        }
        $this->assertGuest();
        $this->travel(61)->seconds();
        $this->post(
            '/manage/sign-in',
            ['email' => 'm@example.org', 'password' => 'a long password'],
        )->assertRedirect('/manage');
        $this->assertAuthenticated();
    }

    public function test_every_write_wants_its_token(): void
    {
        // The framework waives the check while it believes that tests run; here it shall not.
        $this->app->detectEnvironment(fn (): string => 'production');
        $this->app->instance('env', 'production');
        $this->actingAs($this->manager());
        putenv('APP_RUNNING_IN_CONSOLE=false');
        $_ENV['APP_RUNNING_IN_CONSOLE'] = 'false';
        $this->refreshRunningInConsole();
        try {
            $this->postJson(
                '/manage/api/modules',
                ['name' => 'X', 'definition' => ['source' => ['items' => ['plant']]]],
            )->assertStatus(419);
            $this->post('/manage/sign-in', [])->assertStatus(419);
        } finally {
            putenv('APP_RUNNING_IN_CONSOLE');
            unset($_ENV['APP_RUNNING_IN_CONSOLE']);
            $this->refreshRunningInConsole();
        }
    }

    private function refreshRunningInConsole(): void
    {
        (new \ReflectionProperty($this->app, 'isRunningInConsole'))->setValue($this->app, null);
    }

    public function test_a_module_is_made_looked_at_kept_published_and_placed(): void
    {
        $this->plantType();
        foreach ([
            ['Fern', 'shade', ['ferns']],
            ['Hosta', 'shade', ['hostas']],
            ['Rose', 'sun', ['shrubs']],
            ['Moss', null, null],
        ] as [$title, $light, $groups]) {
            $this->plant([
                'title' => $title,
                'light' => $light,
                'groups' => $groups,
                'publish_at' => '2026-01-01',
                'price' => $title === 'Rose' ? null : 3,
            ]);
        }
        $page = $this->pageAt('/garden', 'Garden');
        $this->actingAs($this->manager());

        $this->postJson(
            '/manage/api/modules',
            ['name' => 'Plants', 'definition' => ['source' => ['items' => ['tractor']]]],
        )
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.path', 'source.items[0]');
        $made = $this->postJson(
            '/manage/api/modules',
            ['name' => 'Plants', 'definition' => ['source' => ['items' => ['plant']]]],
        )
            ->assertCreated()
            ->assertJson(['key' => 'plants', 'live' => false, 'revision' => 1])
            ->json();
        $this->postJson(
            '/manage/api/modules',
            ['name' => 'Plants', 'definition' => ['source' => ['items' => ['plant']]]],
        )->assertJsonPath('key', 'plants-2');
        $definition = [
            'where' => ['all' => [['field' => 'light', 'test' => 'anyOf', 'value' => ['shade']]]],
            'card' => ['lines' => [['parts' => [['part' => 'title'], ['part' => 'price']]]]],
        ] + $made['definition'];

        $look = $this->postJson('/manage/api/bench/preview', ['definition' => $definition])->assertOk()
            ->assertJson([
                'total' => 2,
                'pages' => 1,
                'steps' => [['step' => 'source', 'left' => 4], ['step' => 'where.all[0]', 'left' => 2]],
                'lastRow' => ['phone' => ['cards' => 1, 'columns' => 1], 'desktop' => ['cards' => 2, 'columns' => 4]],
            ])
            ->json();
        $this->assertStringContainsString('Hosta', $look['html']);
        $this->assertEquals(['card.lines[0].parts[0]' => 0, 'card.lines[0].parts[1]' => 0], $look['empty']['parts']);
        $this->assertNull(
            Module::query()->where('key', 'plants')->firstOrFail()->draft['where'] ?? null,
            'looking keeps nothing',
        );
        $this->assertSame(
            1,
            $this->postJson(
                '/manage/api/bench/preview',
                ['definition' => array_diff_key($definition, ['where' => 0])],
            )->json('empty.any'),
            'one of all has no price',
        );
        $this->postJson(
            '/manage/api/bench/preview',
            [
                'definition' => [
                    'where' => ['all' => [['field' => 'light', 'test' => 'anyOf', 'value' => ['gloom']]]],
                ] + $definition,
            ],
        )
            ->assertOk()
            ->assertJsonPath('problems.0.path', 'where.all[0].value')
            ->assertJsonPath('sentences.1.broken.0.at', 'where.all[0]')
            ->assertJsonPath('total', 4);
        $this->postJson(
            '/manage/api/bench/preview',
            ['definition' => ['source' => ['items' => ['tractor']]] + $definition],
        )
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.path', 'source.items[0]');

        $this->postJson(
            '/manage/api/bench/options',
            ['definition' => $definition, 'field' => 'light', 'before' => 'where.all[0]'],
        )
            ->assertOk()->assertExactJson([
                'choices' => ['shade' => 2, 'sun' => 1],
                'labels' => [],
                'filled' => 3,
                'empty' => 1,
                'bars' => [],
            ]);
        $this->postJson(
            '/manage/api/bench/options',
            ['definition' => $definition, 'field' => 'groups', 'before' => 'where.all[1]'],
        )
            ->assertJson(['choices' => ['perennials' => 2, 'ferns' => 1, 'hostas' => 1], 'empty' => 0]);
        $this->postJson(
            '/manage/api/bench/options',
            ['definition' => $definition, 'field' => 'uses', 'before' => 'where'],
        )->assertJson(['empty' => 2, 'choices' => []]);
        $this->postJson(
            '/manage/api/bench/options',
            ['definition' => $definition, 'field' => 'price', 'before' => 'where.all[0]'],
        )->assertJson(['bars' => [['from' => 3, 'records' => 3]], 'filled' => 3]);

        $this->putJson('/manage/api/modules/plants/draft', ['definition' => $definition, 'revision' => 1])
            ->assertOk()
            ->assertJson(['revision' => 2]);
        $this->putJson(
            '/manage/api/modules/plants/draft',
            ['definition' => ['name' => 'Theirs'] + $definition, 'revision' => 1],
        )
            ->assertConflict()
            ->assertJson(['revision' => 2]);
        $this->putJson(
            '/manage/api/modules/plants/draft',
            ['definition' => ['key' => 'other'] + $definition, 'revision' => 2],
        )->assertUnprocessable();
        $this->assertSame('Plants', Module::query()->where('key', 'plants')->firstOrFail()->draft['name']);

        $placed = $this->putJson("/manage/api/modules/plants/pages/{$page->key}", ['stands' => true])
            ->assertOk()
            ->assertJsonPath('module.places.0.words', 'on the draft of Garden, which is not published')
            ->json();
        $live = (string) json_encode($page->refresh()->live);
        $this->assertStringNotContainsString('plants', $live, 'not published yet');
        $this->postJson("/manage/api/pages/{$page->key}/publish", ['revision' => $placed['page']['revision'] - 1])
            ->assertConflict();
        $this->postJson("/manage/api/pages/{$page->key}/publish", ['revision' => $placed['page']['revision']])
            ->assertOk()
            ->assertJson(['live' => true, 'changed' => false]);
        $this->getJson('/manage/api/modules/plants')->assertJsonPath('places.0.words', 'on Garden');
        $this->get('/garden')->assertDontSee('Hosta');
        $this->postJson('/manage/api/modules/plants/publish')
            ->assertOk()
            ->assertJson(['live' => true, 'changed' => false]);
        $this->get('/garden')->assertSee('Hosta')->assertDontSee('Rose');
        $this->assertSame(1, DB::table('module_versions')->count());
        $this->getJson('/manage/api/modules')
            ->assertOk()
            ->assertJson([
                [
                    'key' => 'plants',
                    'state' => 'live',
                    'takes' => ['Plants'],
                    'line' => 'Take plants · keep only those whose light is Shade · order by publish date, newest '
                        .'first · show 10 at a time with numbered pages · as a grid, 4 across on desktop · 3 on '
                            .'laptop · 2 on tablet · 1 on phone',
                ],
                ['key' => 'plants-2', 'state' => 'draft'],
            ]);
        $this->getJson('/manage/api/modules/records?keys[]=plants&keys[]=plants-2')->assertExactJson([
            'plants' => ['live' => 2, 'draft' => 2],
            'plants-2' => ['live' => null, 'draft' => 4],
        ]);
        $taken = $this->putJson("/manage/api/modules/plants/pages/{$page->key}", ['stands' => false])->assertOk();
        $this->get('/garden')->assertSee('Hosta');
        $taken->assertJsonPath('module.places.0.state', 'removed');
        $this->putJson("/manage/api/pages/{$page->key}/draft", [
            'definition' => $taken->json('before'), 'revision' => $taken->json('page.revision'),
        ])->assertOk();
        $this->getJson('/manage/api/modules/plants')->assertJsonPath('places.0.state', 'live');
        $this->getJson('/manage/api/modules/none')->assertNotFound();
    }

    public function test_an_item_is_made_found_and_changed_and_nothing_is_lost_to_a_second_writer(): void
    {
        $this->plantType();
        $this->actingAs($this->manager());
        $made = $this->postJson(
            '/manage/api/items',
            ['type' => 'plant', 'values' => ['title' => ' Fougère ', 'price' => 4.2, 'groups' => ['ferns']]],
        )
            ->assertCreated()
            ->assertJson([
                'title' => 'Fougère',
                'revision' => 1,
                'values' => ['slug' => 'fougere', 'price' => 4.2, 'groups' => ['ferns']],
                'address' => '/plants/fougere',
            ])
            ->json();
        $this->postJson(
            '/manage/api/items',
            ['type' => 'plant', 'values' => ['title' => 'Fougère']],
        )->assertJsonPath('values.slug', 'fougere-2');
        $this->postJson(
            '/manage/api/items',
            ['type' => 'plant', 'values' => ['title' => 'X', 'slug' => 'fougere', 'picture' => 'none.webp']],
        )
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.path', 'slug')
            ->assertJsonPath('problems.1.path', 'picture');
        $this->postJson('/manage/api/items', ['type' => 'plant', 'values' => ['price' => 'dear']])
            ->assertUnprocessable()
            ->assertJsonCount(2, 'problems');
        $this->assertSame(2, Item::query()->count());

        $change = fn (int $revision, array $values) => $this->putJson(
            "/manage/api/items/{$made['id']}",
            ['revision' => $revision, 'values' => $values],
        );
        $change(1, ['price' => null, 'light' => 'sun'])
            ->assertOk()
            ->assertJson(['revision' => 2, 'values' => ['price' => null, 'light' => 'sun', 'groups' => ['ferns']]]);
        $change(1, ['title' => 'Mine'])->assertConflict()->assertJson(['revision' => 2]);
        $this->assertSame('Fougère', Item::query()->where('id', $made['id'])->value('title'));

        $this->getJson('/manage/api/items?type=plant&q=FOUGERE&sort=title')->assertJson(['total' => 2, 'pages' => 1]);
        $this->getJson('/manage/api/items?type=plant&q=100%25')->assertJson(['total' => 0]);
        $this->getJson('/manage/api/items?type=plant&sort=password')->assertOk()->assertJson(['total' => 2]);
        $this->getJson('/manage/api/items?type=plant&page=100000')->assertOk()->assertJsonCount(0, 'items');
        foreach (['page=99999999999999999999', 'page=0', 'q[]=x'] as $wrong) {
            $this->getJson("/manage/api/items?type=plant&{$wrong}")->assertUnprocessable();
        }
        foreach (['q=%FF', 'q=a%00b', 'slugs=%00,%FF'] as $odd) {
            $this->getJson("/manage/api/items?type=plant&{$odd}")->assertOk()->assertJson(['total' => 0]);
        }
        $this->getJson('/manage/api/items/99999999999999999999')->assertNotFound();
        $this->postJson(
            '/manage/api/items',
            [
                'type' => 'plant',
                'values' => [
                    'title' => "nul\0",
                    'publish_at' => '9999-12-31T23:59:59-12:00',
                    'nickname' => '  kept  as one ',
                ],
            ],
        )
            ->assertUnprocessable()
            ->assertJsonCount(2, 'problems');
    }

    public function test_a_picture_is_taken_by_its_content_and_written_anew(): void
    {
        Storage::fake('media');
        $this->plantType();
        $this->actingAs($this->manager());
        $image = imagecreatetruecolor(2000, 500);
        ob_start();
        imagepng($image);
        $png = (string) ob_get_clean();
        $send = fn (string $name, string $bytes) => $this->post(
            '/manage/api/media',
            ['file' => UploadedFile::fake()->createWithContent($name, $bytes)],
            ['Accept' => 'application/json'],
        );
        $send('My Garden.PNG', $png.'<?php echo "hidden"; ?>')
            ->assertCreated()
            ->assertJson(['name' => 'my-garden.webp', 'width' => 1600, 'height' => 400]);
        $this->assertStringNotContainsString('hidden', (string) Storage::disk('media')->get('my-garden.webp'));
        $send('my-garden.jpg', $png)->assertJsonPath('name', 'my-garden-2.webp');
        foreach ([
            'shell.jpg' => '<?php system($_GET["c"]);',
            'drawing.svg' => '<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>',
            'cut.png' => substr($png, 0, 60),
        ] as $name => $bytes) {
            $send($name, $bytes)->assertUnprocessable();
        }
        // A picture that says it is 30,000 by 30,000 is refused before it is unpacked.
        $send('bomb.png', substr_replace($png, pack('N2', 30_000, 30_000), 16, 8))
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.code', 'tooManyPixels');
        $this->assertSame(2, Media::query()->count());
    }

    public function test_advice_on_the_last_row_knows_how_wide_the_side_of_the_frame_is(): void
    {
        $this->plantType();
        foreach (range(1, 6) as $n) {
            $this->plant(['title' => "Plant {$n}", 'publish_at' => '2026-01-01']);
        }
        $this->actingAs($this->manager());
        $module = Garden::module(['key' => 'aside', 'page' => ['size' => 6], 'arrange' => [
            'as' => 'grid', 'columns' => ['phone' => 1, 'tablet' => 2, 'laptop' => 4, 'desktop' => 4],
        ]]);
        app(ModuleStore::class)->publish(app(ModuleStore::class)->apply($module));
        $advised = fn (): bool => in_array('lastRow', array_column(
            $this->postJson('/manage/api/bench/preview', ['definition' => $module->toArray()])
                ->assertOk()
                ->json('advice'),
            'code',
        ), true);
        $this->assertTrue($advised(), 'four across, two are alone');
        $this->publishFrame(['side' => [['module' => 'aside']]]);
        $this->assertFalse($advised(), 'at the side there is room for two');
    }
}
