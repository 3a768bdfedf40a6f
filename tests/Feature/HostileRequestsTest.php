<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Catalogue\CatalogueStore;
use App\Models\User;
use App\Modules\ModuleStore;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\Support\HostileInput;
use Tests\Support\RequestHeaders;

/**
 * Requests over every route, drawn from a seed, as every kind of person: none ends in a fault of the server, takes
 * long, tells what it should not, or leaves something half done. `HOSTILE=20000 SEED=7` draws more, or the same again.
 */
final class HostileRequestsTest extends TestCase
{
    private const REQUESTS = 600;

    private const SEED = 7;

    /** None takes longer, alone; beside other tests it may wait for them. */
    private const SECONDS = 2.0;

    private const SECONDS_BESIDE_OTHERS = 20.0;

    /** @var array<string, User|null> */
    private array $people;

    /** @var list<string> names of headers that the code reads */
    private array $headers;

    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('media');
        Storage::fake('imports');
        Storage::fake('exports');
        config(['site.searches_a_minute' => 1_000_000]);
        $this->plantType();
        $this->headers = RequestHeaders::all();
        $this->people = ['visitor' => null, 'manager' => $this->manager()];
        foreach (['author', 'member'] as $role) {
            $this->people[$role] = User::query()->create([
                'name' => ucfirst($role), 'email' => "{$role}@example.org", 'password' => 'a long password',
                'role' => $role,
            ])->refresh();
        }
    }

    /** @return iterable<string, array{int}> a seed for each so many requests: a transaction holds no more of them */
    public static function seeds(): iterable
    {
        $first = (int) (getenv('SEED') ?: self::SEED);
        $seeds = range($first, $first + (int) ceil((int) (getenv('HOSTILE') ?: self::REQUESTS) / self::REQUESTS) - 1);
        foreach ($seeds as $seed) {
            yield "SEED={$seed}" => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function test_no_request_brings_the_server_down_or_a_word_out(int $seed): void
    {
        $fern = $this->plant(['title' => 'Fern', 'slug' => 'fern', 'groups' => ['ferns'], 'author' => 'm@example.org']);
        $module = app(ModuleStore::class)->read([
            'format' => 1, 'key' => 'plants', 'name' => 'Plants', 'source' => ['items' => ['plant']],
            'offer' => ['key' => 'shop', 'filters' => [
                ['field' => 'light', 'as' => 'checks'], ['field' => 'price', 'as' => 'range'],
                ['field' => 'words', 'as' => 'search'],
            ], 'sizes' => [4, 8]],
        ]);
        $this->placeOn($this->pageAt('/shop'), $module);
        $term = (int) DB::table('terms')->where('slug', 'ferns')->value('id');
        $draw = new HostileInput($seed, [
            'key' => ['plants', 'plant', 'groups', 'shop', 'home'], 'path' => ['shop', '', 'none', 'shop/fern'],
            'screen' => ['content/plant', 'modules'], 'name' => ['plant', 'pages'], 'hash' => ['0123456789abcdef'],
            'secret' => ['x'], 'file' => ['fern.webp', 'w400/fern.jpg', '../.env'], 'number' => ['1', '2'],
        ] + array_fill_keys(['id', 'item'], [(string) $fern->id, (string) $term]));
        $routes = array_values(array_filter(
            Route::getRoutes()->getRoutes(),
            fn (\Illuminate\Routing\Route $route): bool => ! str_ends_with($route->uri(), 'sign-out'),
        ));
        $statuses = [];
        for ($n = 0; $n < self::REQUESTS; $n++) {
            // Each route in turn, so that none is left out.
            $route = $routes[$n % count($routes)];
            $method = $draw->one(array_values(array_diff($route->methods(), ['HEAD'])));
            $who = $draw->one(array_keys($this->people));
            $path = $draw->path($route->uri());
            $body = $draw->body($method, $route->uri());
            $said = "SEED={$seed}, request {$n}, {$who}: {$method} {$path}";
            $statuses[] = $this->ask($draw, $who, $method, $path, $body, $said);
        }
        $this->assertContains(200, $statuses, 'some are right');
        $this->assertContains(422, $statuses, 'some are refused');
    }

    /** @param  array<array-key, mixed>  $body */
    private function ask(
        HostileInput $draw,
        string $who,
        string $method,
        string $path,
        array $body,
        string $said,
    ): int {
        DB::beginTransaction();
        // What was written is taken back each time, and so is what a session remembers of it.
        $this->app['auth']->forgetGuards();
        $this->flushSession();
        $who = $this->people[$who];
        // Some sessions were ended elsewhere: they are nobody's.
        $isEnded = $who !== null && $draw->chance(10);
        $isEnded && $this->withSession([User::SESSION_KEY => 'the key of before']);
        $who === null || $this->actingAs($who);
        config(['trustedproxy.proxies' => $draw->chance(50) ? ['127.0.0.1'] : []]);
        $headers = $draw->headers($this->headers);
        $before = $method === 'GET' ? null : $this->kept();
        $isForm = $method === 'GET' || $draw->chance(20);
        $files = $isForm && $method === 'POST' && $draw->chance(50)
            ? ['file' => UploadedFile::fake()->createWithContent(
                $draw->one([
                    "\xE9\xED\xA0\x80.png", '../x.csv', '.csv', 'x.PHP', "a\0b.csv", HostileInput::MARK.'.csv',
                ]),
                $draw->one(["title\nx\n", '', "\x89PNG\r\n", "\xFF\xFE", 'PK'."\3\4"]),
            )]
            : [];
        $address = "http://localhost{$path}";
        $begun = microtime(true);
        /** @var TestResponse<Response> $answer */
        $answer = $isForm
            ? $this->call($method, $address, $body, files: $files, server: $this->transformHeadersToServerVars(
                $headers + ['Accept' => $draw->one(['text/html', 'application/json', '*/*', "\xFF"])],
            ))
            : $this->json($method, $address, $body, $headers);
        $seconds = microtime(true) - $begun;
        $isRefused = $answer->baseResponse->getStatusCode() >= 400;
        // The form that comes back holds what was sent.
        /** @var TestResponse<Response> $answer */
        for ($hops = 0; $answer->isRedirection() && $method === 'POST' && $hops < 5; $hops++) {
            $to = (string) $answer->headers->get('Location');
            $this->assertStringStartsWith('/', $to, $said);
            $answer = $this->get("http://localhost{$to}");
        }
        $response = $answer->baseResponse;
        $status = $response->getStatusCode();
        $content = (string) $response->getContent();
        $said .= ' '.json_encode($headers, JSON_PARTIAL_OUTPUT_ON_ERROR).($isEnded ? ' in an ended session' : '');
        $tried = $said.' with '.mb_substr((string) json_encode($body, JSON_PARTIAL_OUTPUT_ON_ERROR), 0, 800);
        $this->assertLessThan(500, $status, "{$tried}: {$answer->exception}".mb_substr($content, 0, 1500));
        $limit = getenv('HOSTILE') === false ? self::SECONDS_BESIDE_OTHERS : self::SECONDS;
        $this->assertLessThan($limit, $seconds, $tried);
        $this->assertStringNotContainsString('vendor/laravel', $content, $tried);
        $this->assertStringNotContainsString('evil.example', $response->headers->get('Location').$content, $tried);
        if ($isEnded && ! str_contains((string) json_encode($body), $who->email)) {
            $this->assertStringNotContainsString($who->email, $content, $tried);
        }
        if (str_contains((string) $response->headers->get('Content-Type', 'text/html'), 'html')) {
            $this->assertStringNotContainsString(HostileInput::MARK, $content, $tried);
        }
        if ($isRefused && $before !== null) {
            $this->assertSame($before, $this->kept(), "{$tried} was refused");
        }
        DB::rollBack();
        app(CatalogueStore::class)->forget();

        return $status;
    }

    /** @return array<string, string> what there is of each table that people write, in a word */
    private function kept(): array
    {
        $kept = [];
        foreach ([
            'items', 'terms', 'taxonomies', 'types', 'modules', 'module_versions', 'pages', 'users', 'groups', 'media',
        ] as $table) {
            $rows = DB::selectOne("select md5(json_agg(t order by 1)::text) as md5 from {$table} t");
            $kept[$table] = (string) $rows?->md5;
        }

        return $kept;
    }
}
