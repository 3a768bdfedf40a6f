<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Content\Types\TypeWriter;
use App\Http\Middleware\LimitsQueryTime;
use App\Listing\ContextFactory;
use App\Modules\ModuleStore;
use App\Pages\PageStore;
use App\Search\SiteSearch;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Tests\Support\Garden;
use Wellspring\Core\Arrangement\Arrangement;
use Wellspring\Core\Arrangement\Arrangements;

/** What visitors choose, as pages answer it: whatever an address says, and however a form says it. */
final class ChoicesTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->plantType();
        foreach (['Fern' => 'shade', 'Fir' => 'half-shade', 'Oak' => 'sun', 'Foxglove' => 'sun'] as $title => $light) {
            $this->plant([
                'title' => $title, 'light' => $light, 'price' => strlen($title), 'publish_at' => '2026-01-01',
                'spot' => ['latitude' => 50.61, 'longitude' => -3.52], 'groups' => [], 'uses' => ['pot'],
            ]);
        }
        $store = app(ModuleStore::class);
        $store->publish($store->apply($store->read([
            'format' => 1, 'key' => 'plants', 'name' => 'Plants', 'source' => ['items' => ['plant']],
            'page' => ['size' => 2, 'count' => '{from}–{to} of {total, plural, one {# plant} other {# plants}}'],
            'offer' => ['key' => 'garden', 'filters' => [
                ['field' => 'light', 'as' => 'checks'],
                ['field' => 'uses', 'as' => 'checks', 'join' => 'all'],
                ['field' => 'groups', 'as' => 'tree'],
                ['field' => 'price', 'as' => 'range'],
                ['field' => 'publish_at', 'as' => 'dates'],
                ['field' => 'hardy', 'as' => 'yesNo'],
                ['field' => 'words', 'as' => 'search'],
                ['field' => 'title', 'as' => 'letters'],
                ['field' => 'spot', 'as' => 'near', 'points' => [
                    ['key' => 'mill', 'name' => 'the <mill>', 'latitude' => 50.6, 'longitude' => -3.5],
                ]],
                ['field' => 'price', 'as' => 'only', 'name' => 'cheap', 'rule' => [
                    'field' => 'price', 'test' => 'lt', 'value' => 5,
                ]],
            ], 'orders' => [['key' => 'cheapest', 'name' => 'Cheapest first', 'order' => [['by' => 'price']]]],
                'sizes' => [4], 'arrangements' => [['key' => 'list', 'name' => 'List', 'arrange' => ['as' => 'list']]]],
        ])));
        $pages = app(PageStore::class);
        $slot = fn (array ...$blocks): array => ['share' => 6, 'blocks' => array_values($blocks)];
        foreach ([
            'garden' => [$slot(['module' => 'plants']), $slot([
                'block' => 'filters', 'of' => 'plants', 'filters' => ['light'],
            ])],
            'home' => [$slot(['block' => 'heading', 'text' => 'Find']), $slot([
                'block' => 'searchForm', 'of' => 'plants', 'page' => '/garden', 'filters' => ['light'],
                'button' => 'Show {total}',
            ])],
        ] as $key => $slots) {
            $pages->publish($pages->apply($pages->read([
                'format' => 1, 'key' => $key, 'address' => "/{$key}", 'title' => ucfirst($key),
                'bands' => [['key' => 'body', 'slots' => $slots]],
            ])));
        }
    }

    public function test_a_form_is_led_to_the_canonical_address_and_what_is_chosen_can_be_taken_back(): void
    {
        foreach ([
            'garden-light=sun&garden-light=shade' => '/garden?garden-light=sun,shade',
            'garden-sort=&garden-price=3&garden-price=' => '/garden?garden-price=3..',
            'garden-price=&garden-price=' => '/garden',
            'garden-size=4&garden-light=&utm=x' => '/garden?garden-size=4',
            'garden-spot=mill&garden-spot=5' => '/garden?garden-spot=mill,5',
            'garden-spot=&garden-spot=5' => '/garden',
        ] as $query => $address) {
            $this->get("/garden?{$query}")->assertRedirect($address)->assertStatus(302);
        }
        $page = $this->get('/garden?garden-light=sun,shade&garden-price=..5')
            ->assertOk()
            ->assertSeeInOrder(['Full sun or Shade', 'Price up to', 'clear all', '1–2 of 2 plants'])
            ->assertSee('href="/garden?garden-price=..5#plants"', false)
            ->assertSee('href="/garden?garden-light=sun,shade#plants"', false);
        $this->assertSame(1, substr_count((string) $page->getContent(), '<form id="garden-choices"'));
        $this->get('/garden?garden-light=half-shade&garden-price=7..')
            ->assertSeeInOrder(['Without “Half shade”', '1', 'Without “Price from', '1']);
        $this->get('/home?garden-light=sun')
            ->assertOk()
            ->assertSeeInOrder(['Full sun', '2', 'Show 2'])
            ->assertSee('action="/garden#plants"', false);
        $this->get('/home')->assertSee('Show 4');
    }

    /** Whatever an address says: no fault, nothing unescaped, and what is not understood changes nothing. */
    public function test_no_address_does_harm(): void
    {
        $plain = (string) $this->get('/garden')->getContent();
        $values = [
            '<script>alert(1)</script>', "'; drop table items; --", '%00', '%FF%FE', str_repeat('a', 3000), '..',
            '99999999999999999999..', '1e308..', '2026-13-99..0000-00-00', '91,0,5', ',,,,', '{total}', "a\nb",
        ];
        $names = ['light', 'uses', 'groups', 'price', 'publish_at', 'hardy', 'words', 'title', 'spot', 'cheap', 'sort',
            'size', 'as', 'unknown'];
        foreach ($names as $n => $name) {
            foreach ($values as $v => $value) {
                $raw = str_replace(['<', '>', "\n", ' '], ['%3C', '%3E', '%0A', '+'], $value);
                $encoded = rawurlencode($value);
                $forms = ["={$encoded}", "={$raw}", "[]={$raw}", "[a][b]={$encoded}"];
                // Each value for each name, in one of the forms in turn.
                $query = "garden-{$name}{$forms[($n + $v) % 4]}";
                $answer = $this->get("/garden?{$query}");
                $this->assertLessThan(500, $answer->getStatusCode(), $query);
                $this->assertStringNotContainsString('<script>alert', (string) $answer->getContent(), $query);
            }
        }
        $this->assertStringNotContainsString('<mill>', $plain);
        foreach (['garden-unknown=1', 'garden-light=blue', 'garden-sort=dearest', 'other-light=sun'] as $query) {
            $this->assertSame($plain, (string) $this->get("/garden?{$query}")->getContent(), "{$query} says nothing");
        }
    }

    /** All scripts of the visitor's pages together; and of a page without filters each arrangement's, packed. */
    public function test_scripts_are_small(): void
    {
        $manifest = json_decode((string) file_get_contents(public_path('build/manifest.json')), true);
        $this->assertIsArray($manifest);
        $bytes = function (string ...$names) use ($manifest): int {
            $files = [];
            for ($open = $names; $open !== [];) {
                $entry = $manifest[array_pop($open)];
                $files[$entry['file']] = strlen((string) gzencode(
                    (string) file_get_contents(public_path("build/{$entry['file']}")),
                    6,
                ));
                array_push($open, ...$entry['imports'] ?? []);
            }

            return array_sum($files);
        };
        $all = array_values(preg_grep('~^resources/js/site/~', array_keys($manifest)) ?: []);
        $this->assertGreaterThan(5, count($all));
        $this->assertLessThan(30_000, $bytes(...$all));
        foreach (Arrangements::all() as $arrangement) {
            $names = [...self::plain($arrangement)->scripts(), 'more', 'search'];
            $this->assertLessThan(
                6_000,
                $bytes(...array_map(fn (string $name): string => "resources/js/site/{$name}.ts", $names)),
                $arrangement::key(),
            );
        }
    }

    /** @param  class-string<Arrangement>  $arrangement */
    private static function plain(string $arrangement): Arrangement
    {
        return Garden::module(['arrange' => ['as' => $arrangement::key()]])->arrange;
    }

    public function test_a_query_that_takes_too_long_is_ended_and_the_next_is_not(): void
    {
        config(['site.visitor_query_seconds' => 1]);
        Route::post('slow', fn () => DB::transaction(fn () => DB::select('select pg_sleep(3)')))->middleware(
            LimitsQueryTime::class,
        );
        $this->post('/slow')->assertStatus(503)->assertHeader('Retry-After', 30);
        DB::select('select pg_sleep(1.2)');
    }

    public function test_the_search_page_narrows_by_type_marks_and_knows_what_is_near(): void
    {
        app(TypeWriter::class)->apply(Garden::toolFile());
        $this->plant([
            'title' => 'Ferns for beginners', 'text' => '<p>A long way about ferns.</p>', 'publish_at' => '2026-01-01',
        ]);
        $this->get('/search?q=fern')->assertSee('<mark>Fern</mark>', false)->assertSee('<mark>ferns</mark>', false);
        $this->get('/search?q=foxglvoe')->assertSee('Did you mean')->assertSee('q=foxglove', false);
        $this->get('/search?q=zzzzqqqq')->assertDontSee('Did you mean');
        $this->get('/search?q=fern&type=tool')->assertSee('Nothing on this site holds');
        $this->getJson('/search/suggest?q=fox')->assertExactJson([
            ['title' => 'Foxglove', 'address' => '/plants/foxglove', 'kind' => 'Plant'],
        ]);
        $this->getJson('/search/suggest?q='.urlencode("'<b>"))->assertOk();
        $this->plant(['title' => 'Foxtail', 'audience' => ['members'], 'publish_at' => '2026-01-01']);
        $this->getJson('/search/suggest?q=fox')->assertJsonCount(1);
        $now = app(ContextFactory::class)->now();
        $this->assertNull(app(SiteSearch::class)->nearest('foxtial', $now), 'what may not be seen is not offered');
    }
}
