<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Catalogue\CatalogueStore;
use App\History\UndoChange;
use App\Models\Change;
use App\Models\Media;
use App\Models\Task;
use App\Models\User;
use App\Site\PageCache\RequestOrigin;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Exception\SuspiciousOperationException;
use Symfony\Component\HttpFoundation\ServerBag;

/** Who may do what, route by route, as the table below says it; and what every answer tells browsers. */
final class AccessTest extends TestCase
{
    /** managers alone · authors and managers · own: authors what is theirs, managers all · open: whoever comes */
    private const TABLE = [
        'own' => [
            'GET manage/api/items/{item}',
            'PUT manage/api/items/{item}',
            'DELETE manage/api/items/{item}',
            'GET manage/api/items/{item}/revisions',
            'POST manage/api/items/{item}/revisions/{number}',
            'GET manage/api/items/{item}/shown',
            'POST manage/api/changes/{change}/undo',
            'PUT manage/api/media/{media}', 'DELETE manage/api/media/{media}',
        ],
        'begun' => ['GET manage/api/tasks/{task}'],
        'authors' => [
            'GET manage/{screen?}',
            'GET manage/api/start',
            'GET manage/api/find',
            'POST manage/api/sign-out',
            'PUT manage/api/password',
            'GET manage/api/items',
            'POST manage/api/items/many',
            'GET manage/api/items/new/{key}',
            'POST manage/api/items',
            'PUT manage/api/items/draft',
            'DELETE manage/api/items/draft',
            'GET manage/api/presets/{key}',
            'PUT manage/api/presets/{key}',
            'DELETE manage/api/presets/{key}/{id}',
            'GET manage/api/changes', 'GET manage/api/tasks', 'GET manage/api/media', 'POST manage/api/media',
            'POST manage/api/texts/preview',
        ],
        'managers' => [
            'GET manage/api/modules',
            'POST manage/api/modules',
            'GET manage/api/modules/records',
            'GET manage/api/modules/starts',
            'GET manage/api/modules/starts/records',
            'POST manage/api/modules/many',
            'POST manage/api/modules/check',
            'GET manage/api/modules/{key}',
            'PUT manage/api/modules/{key}/draft',
            'POST manage/api/modules/{key}/publish',
            'POST manage/api/modules/{key}/duplicate',
            'GET manage/api/modules/{key}/versions',
            'GET manage/api/modules/{key}/versions/{number}',
            'PUT manage/api/modules/{key}/pages/{page}',
            'GET manage/api/pages', 'GET manage/api/pages/grid', 'POST manage/api/pages',
            'POST manage/api/pages/preview', 'POST manage/api/pages/blocks',
            'GET manage/api/settings/demo', 'DELETE manage/api/settings/demo',
            'POST manage/api/pages/address', 'POST manage/api/pages/records',
            'POST manage/api/pages/subjects', 'POST manage/api/pages/bodies',
            'GET manage/api/pages/{key}', 'PUT manage/api/pages/{key}/draft',
            'POST manage/api/pages/{key}/publish', 'DELETE manage/api/pages/{key}',
            'GET manage/api/pages/{key}/versions', 'GET manage/api/pages/{key}/versions/{number}',
            'GET manage/api/frame', 'PUT manage/api/frame/draft', 'POST manage/api/frame/publish',
            'GET manage/api/looks', 'POST manage/api/looks', 'POST manage/api/looks/measure',
            'POST manage/api/looks/preview', 'GET manage/api/looks/{key}', 'PUT manage/api/looks/{key}/draft',
            'POST manage/api/looks/{key}/publish', 'DELETE manage/api/looks/{key}',
            'GET manage/api/looks/{key}/tokens',
            'GET manage/api/settings', 'GET manage/api/settings/choices', 'POST manage/api/settings/preview',
            'PUT manage/api/settings/draft', 'POST manage/api/settings/publish',
            'POST manage/api/frame/preview', 'POST manage/api/frame/place',
            'GET manage/api/menus', 'GET manage/api/menus/{key}',
            'PUT manage/api/menus/{key}/draft', 'POST manage/api/menus/{key}/publish',
            'POST manage/api/bench/preview',
            'POST manage/api/bench/results',
            'POST manage/api/bench/gaps',
            'POST manage/api/bench/find',
            'POST manage/api/bench/trace', 'POST manage/api/bench/compare', 'POST manage/api/bench/options',
            'POST manage/api/bench/offer',
            'PUT manage/api/forms/{form}',
            'DELETE manage/api/forms/{form}',
            'POST manage/api/bench/source',
            'GET manage/api/types',
            'PUT manage/api/types',
            'POST manage/api/types/effects',
            'PUT manage/api/types/order',
            'GET manage/api/types/{key}',
            'GET manage/api/types/{key}/file', 'DELETE manage/api/types/{key}',
            'GET manage/api/sets',
            'POST manage/api/sets/inspect',
            'POST manage/api/sets/apply',
            'GET manage/api/sets/{key}/file',
            'GET manage/api/taxonomies',
            'PUT manage/api/taxonomies',
            'DELETE manage/api/taxonomies/{key}',
            'GET manage/api/taxonomies/{key}/file',
            'GET manage/api/taxonomies/{key}/terms',
            'POST manage/api/taxonomies/{key}/terms',
            'POST manage/api/terms/merge',
            'GET manage/api/terms/{id}',
            'PUT manage/api/terms/{id}',
            'DELETE manage/api/terms/{id}',
            'POST manage/api/terms/{id}/move',
            'GET manage/api/by-hand/{key}', 'PUT manage/api/by-hand/{key}',
            'GET manage/api/people',
            'POST manage/api/people',
            'PUT manage/api/people/{id}',
            'POST manage/api/people/{id}/link',
            'POST manage/api/people/{id}/sign-out',
            'PUT manage/api/groups', 'DELETE manage/api/groups/{id}', 'GET manage/api/audit',
            'GET manage/api/imports',
            'POST manage/api/imports',
            'GET manage/api/imports/{id}',
            'POST manage/api/imports/{id}/pictures',
            'POST manage/api/imports/{id}/run', 'DELETE manage/api/imports/{id}',
            'POST manage/api/exports/{key}', 'GET manage/api/exports/{file}',
        ],
        'open' => [
            'GET manage/sign-in',
            'POST manage/sign-in',
            'GET manage/welcome/{secret}',
            'POST manage/welcome/{secret}',
            'GET manage/api/token',
            'POST manage/api/sign-in', 'GET up', 'GET search', 'GET search/suggest', 'GET {path?}', 'GET robots.txt',
            'GET look/{hash}.css', 'GET map/{colours}/{zoom}/{x}/{y}.svg', 'GET sitemap.xml', 'GET sitemap/{name}.xml',
            'GET account', 'GET account/sign-in', 'POST account/sign-in', 'POST account/sign-out',
            'GET account/sign-up', 'POST account/sign-up', 'GET account/password', 'POST account/password',
            'GET media/{file}', 'GET account/welcome/{secret}', 'POST account/welcome/{secret}',
        ],
    ];

    public function test_every_route_lets_in_whom_the_table_says(): void
    {
        $this->plantType();
        $manager = $this->manager();
        $author = User::query()->create([
            'name' => 'Osric',
            'email' => 'o@example.org',
            'password' => 'a long password',
            'role' => 'author',
        ]);
        $member = User::query()->create(['name' => 'Lys', 'email' => 'l@example.org', 'password' => 'a long password']);
        $this->assertSame('member', $member->refresh()->role, 'the least comes first');
        $rows = fn (?User $owner): array => [
            '{item}' => $this->plant(['title' => 'Fern', 'author' => $owner?->email])->id,
            '{change}' => Change::query()->create([
                'user_id' => $owner?->id,
                'kind' => 'items',
                'title' => 'Nothing',
                'data' => [],
                'made_at' => now(),
            ])->id,
            '{media}' => Media::query()->create([
                'name' => bin2hex(random_bytes(5)).'.webp',
                'kind' => 'picture',
                'mime' => 'image/jpeg',
                'width' => 4,
                'height' => 4,
                'bytes' => 1,
                'sizes' => [],
                'user_id' => $owner?->id,
            ])->id,
            '{task}' => Task::query()->create([
                'user_id' => $owner?->id,
                'kind' => UndoChange::key(),
                'title' => 'Nothing',
                'input' => [],
            ])->id,
        ];
        [$theirs, $own] = [$rows($manager), $rows($author)];
        $status = function (?User $who, string $route, array $rows): int {
            [$method, $uri] = explode(' ', $route, 2);
            $this->app['auth']->forgetGuards();
            $this->flushSession();
            $who === null || $this->actingAs($who);
            $path = strtr(
                $uri,
                array_map(strval(...), $rows) + [
                    '{key}' => 'plant',
                    '{id}' => '999999',
                    '{number}' => '1',
                    '{secret}' => 'x',
                    '{screen?}' => '',
                    '{path?}' => '',
                    '{file}' => 'plant-'.str_repeat('0', 32).'.csv',
                ],
            );
            DB::beginTransaction();
            $found = $this->json($method, "/{$path}")->baseResponse->getStatusCode();
            DB::rollBack();
            app(CatalogueStore::class)->forget();

            return $found;
        };
        $walked = 0;
        foreach ($this->routes() as $route) {
            $who = array_keys(array_filter(self::TABLE, fn (array $routes): bool => in_array($route, $routes, true)));
            $this->assertCount(1, $who, "{$route} stands in the table once");
            $who = implode($who);
            $refused = [401, 403];
            $lets = fn (?User $person, array $rows): bool => ! in_array(
                $status($person, $route, $rows),
                $refused,
                true,
            );
            $this->assertSame($who === 'open', $lets(null, $theirs), "nobody at {$route}");
            $this->assertSame($who === 'open', $lets($member, $theirs), "a member at {$route}");
            $this->assertSame(
                in_array($who, ['open', 'authors'], true),
                $lets($author, $theirs),
                "an author at {$route}, of another's",
            );
            $this->assertSame(
                in_array($who, ['open', 'authors', 'own', 'begun'], true),
                $lets($author, $own),
                "an author at {$route}, of their own",
            );
            $this->assertTrue($lets($manager, $theirs), "a manager at {$route}");
            $this->assertSame($who !== 'begun', $lets($manager, $own), "a manager at {$route}, of an author's");
            $walked++;
        }
        $this->assertSame(
            count(array_merge(...array_values(self::TABLE))),
            $walked,
            'every row of the table is a route',
        );
    }

    public function test_every_answer_carries_the_headers_that_keep_browsers_in_bounds(): void
    {
        $this->plantType();
        foreach ($this->routes() as $route) {
            [$method, $uri] = explode(' ', $route, 2);
            $answer = $this->json($method, '/'.preg_replace('/\{\w+\??\}/', '1', $uri));
            $policy = (string) $answer->headers->get('Content-Security-Policy');
            $this->assertStringContainsString("frame-ancestors 'none'", $policy, $route);
            $this->assertStringNotContainsString('unsafe', $policy, $route);
            $this->assertSame(
                str_starts_with($uri, 'manage'),
                str_contains($policy, 'nonce-'),
                "{$route}: whole pages of visitors can be kept",
            );
            foreach ([
                'X-Content-Type-Options' => 'nosniff',
                'Referrer-Policy' => 'strict-origin-when-cross-origin',
            ] as $name => $value) {
                $this->assertSame($value, $answer->headers->get($name), "{$route}: {$name}");
            }
            $this->assertTrue($answer->headers->has('Permissions-Policy'), $route);
            $this->assertFalse($answer->headers->has('Strict-Transport-Security'), "{$route}, without TLS");
            foreach ($answer->headers->getCookies() as $cookie) {
                $this->assertTrue(
                    $cookie->isHttpOnly() && $cookie->getSameSite() === 'lax',
                    "{$route}: the cookie {$cookie->getName()}",
                );
            }
        }
        $secure = $this->get('https://localhost/manage/sign-in');
        $this->assertSame('max-age=31536000', $secure->headers->get('Strict-Transport-Security'));
        $this->assertNotSame([], $secure->headers->getCookies());
        foreach ($secure->headers->getCookies() as $cookie) {
            $this->assertTrue($cookie->isSecure(), $cookie->getName());
        }
        // Inline styles and handlers would be dead letters: no page holds any.
        config(['app.debug' => false]);
        Route::post('broken', fn () => throw new \RuntimeException('in the log alone'));
        Route::post('many', fn () => abort(429));
        $pages = [
            'GET /' => 404,
            'GET /search?q=x' => 200,
            'GET /manage/sign-in' => 200,
            'GET /manage/welcome/x' => 200,
            'GET /nowhere' => 404,
            'GET /manage/api/start' => 401,
            'POST /search' => 405,
            'POST /many' => 429,
            'POST /broken' => 500,
        ];
        foreach ($pages as $page => $status) {
            $answer = $this->call(...explode(' ', $page, 2));
            $content = (string) $answer->getContent();
            $this->assertDoesNotMatchRegularExpression(
                '/<[^>]+\s(style|on\w+)=|<script(?![^>]*\ssrc=)|<style/i',
                $content,
                $page,
            );
            $this->assertTrue($answer->headers->has('Content-Security-Policy'), $page);
            $this->assertSame($status, $answer->baseResponse->getStatusCode(), $page);
            $this->assertStringNotContainsString('in the log alone', $content);
        }
    }

    public function test_an_ended_session_is_nobodys_at_every_route(): void
    {
        $this->plantType();
        $this->publishPage([
            'key' => 'home', 'address' => '/', 'title' => 'Home', 'bands' => [['key' => 'body', 'slots' => [
                ['share' => 12, 'blocks' => [
                    ['block' => 'accountLinks'], ['block' => 'heading', 'text' => 'Inside', 'audience' => ['members']],
                ]],
            ]]],
        ]);
        $user = $this->manager();
        $ask = function (string $route, User $as, string $key): TestResponse {
            [$method, $uri] = explode(' ', $route, 2);
            $this->app['auth']->forgetGuards();
            $this->flushSession();
            $this->withSession([User::SESSION_KEY => $key]);
            $this->actingAs($as);
            $places = ['/\{(key|secret|name|file|hash)\}/' => 'x', '/\{\w+\?\}/' => '', '/\{\w+\}/' => '1'];
            $path = '/'.preg_replace(array_keys($places), array_values($places), $uri);
            DB::beginTransaction();
            $answer = $this->withUnencryptedCookie(config()->string('session.cookie'), 'x')->call($method, $path);
            DB::rollBack();
            app(CatalogueStore::class)->forget();

            return $answer;
        };
        $told = fn (string $content): bool => preg_match('/m@example\.org|Marigold|Inside/', $content) === 1;
        $shown = 0;
        foreach ($this->routes() as $route) {
            $shown += $told((string) $ask($route, $user->refresh(), $user->session_key)->getContent()) ? 1 : 0;
            $closed = $user->replicate()->forceFill(['id' => $user->id, 'active' => false]);
            foreach (['ended elsewhere' => $user, 'closed' => $closed] as $how => $as) {
                $key = $how === 'closed' ? $user->session_key : 'the key of before';
                $answer = $ask($route, $as, $key);
                $this->assertFalse($told((string) $answer->getContent()), "{$route}, {$how}");
            }
        }
        $this->assertGreaterThan(2, $shown, 'with a session that holds, some routes do tell');
        $gone = fn (string $path) => $ask("GET {$path}", $user, 'the key of before');
        $gone('account')->assertRedirect('/account/sign-in');
        $gone('manage/api/start')->assertUnauthorized();
        $gone('manage')->assertRedirect('/manage/sign-in');

        // After twelve hours a session has ended, however busy it was.
        $this->flushSession();
        $this->actingAs($user)->getJson('/manage/api/start')->assertOk();
        $this->travel(11)->hours();
        $this->getJson('/manage/api/start')->assertOk();
        $this->travel(61)->minutes();
        $this->actingAs($user)->getJson('/manage/api/start')->assertUnauthorized();
    }

    public function test_a_cookie_of_no_session_makes_none_on_visitors_pages(): void
    {
        config(['session.driver' => 'database']);
        $this->app->forgetInstance('session.store');
        $this->pageAt('/shop');
        $name = config()->string('session.cookie');
        foreach (range(1, 5) as $n) {
            $answer = $this->withUnencryptedCookie($name, "garbage{$n}")->get('/shop')->assertOk();
            $this->assertSame([], $answer->headers->getCookies());
            $answer = $this->withCookie($name, str_repeat((string) $n, 40))->get('/search')->assertOk();
            $this->assertSame([], $answer->headers->getCookies());
        }
        $this->assertSame(0, DB::table('sessions')->count());
    }

    public function test_a_forged_host_is_answered_plainly_and_no_link_follows_it(): void
    {
        foreach (['evil.example', 'localhost.evil.example', '[::2]'] as $host) {
            $this->get("http://{$host}/manage/sign-in")->assertStatus(400)->assertDontSee($host)
                ->assertHeader('Content-Security-Policy');
        }
        $this->get('http://127.0.0.1/search')->assertOk();
        config(['app.url' => 'https://garden.example', 'site.hosts' => 'www.garden.example, shop.garden.example']);
        foreach ([
            'garden.example' => 200,
            'shop.garden.example' => 200,
            'localhost' => 400,
            '127.0.0.1' => 400,
        ] as $host => $status) {
            $this->get("http://{$host}/search")->assertStatus($status);
        }
        // Nobody's word is taken about the visitor's own address or host.
        $this->withHeaders(['X-Forwarded-Host' => 'evil.example', 'X-Forwarded-Proto' => 'https'])
            ->get('http://garden.example/search')
            ->assertOk()
            ->assertDontSee('evil.example')
            ->assertHeaderMissing('Strict-Transport-Security');
        Auth::logout();
    }

    /** The page cache reads a request before the framework; both must see the same scheme, host and client. */
    public function test_the_page_cache_and_the_framework_agree_on_where_a_request_came_from(): void
    {
        mt_srand(26);
        $draw = fn (array $from): string => $from[mt_rand(0, count($from) - 1)];
        $addresses = [
            '10.0.0.1', '203.0.113.9', '198.51.100.7:4711', '[2001:db8::1]:80', '2001:db8::2', 'unknown', '', ' ',
            '::ffff:10.0.0.1', '127.0.0.1', '<b>',
        ];
        $chain = fn (): string => implode(', ', array_map(fn (): string => $draw($addresses), range(0, mt_rand(0, 3))));
        for ($n = 0; $n < 2_000; $n++) {
            $proxies = [[], ['127.0.0.1'], ['127.0.0.1', '10.0.0.0/8'], ['0.0.0.0/0', '::/0']][mt_rand(0, 3)];
            $server = [
                'REMOTE_ADDR' => $draw(['127.0.0.1', '10.0.0.1', '203.0.113.9']),
                'HTTP_HOST' => $draw(['localhost', 'LocalHost:8080', '[::1]:80', 'a b', 'garden.example']),
                'HTTPS' => $draw(['', 'on', 'off']),
            ];
            foreach ([
                'HTTP_X_FORWARDED_FOR' => $chain(),
                'HTTP_X_FORWARDED_PROTO' => $draw(['https', 'HTTP', 'ssl, http', '', 'x']),
                'HTTP_X_FORWARDED_HOST' => $draw(['www.garden.example', 'Evil.example:1, x', 'a"b', '']),
            ] as $header => $value) {
                $server += mt_rand(0, 1) === 0 ? [] : [$header => $value];
            }
            $request = Request::create('/', server: $server);
            $request->server->replace($server);
            $request->headers->replace((new ServerBag($server))->getHeaders());
            config(['trustedproxy.proxies' => $proxies]);
            try {
                $expected = app(TrustProxies::class)->handle($request, fn (Request $request): array => [
                    $request->getScheme(), $request->getHost(), $request->ip(),
                ]);
            } catch (SuspiciousOperationException) {
                // The framework answers 400, and nothing is kept.
                continue;
            }
            $origin = RequestOrigin::of($server, $proxies);
            $this->assertSame(
                $expected,
                [$origin->scheme ?? $expected[0], $origin->host ?? '', $origin->address ?? $expected[2]],
                (string) json_encode([$proxies, $server]),
            );
        }
        // On paper: two trusted proxies in a row, and a client that invented an address before its own.
        $origin = RequestOrigin::of([
            'REMOTE_ADDR' => '10.0.0.1', 'HTTP_HOST' => 'inside:8080', 'HTTP_X_FORWARDED_HOST' => 'garden.example',
            'HTTP_X_FORWARDED_PROTO' => 'https', 'HTTP_X_FORWARDED_FOR' => '1.2.3.4, 203.0.113.9, 10.0.0.2',
        ], ['10.0.0.0/8']);
        $this->assertNotNull($origin);
        $this->assertSame(
            ['https', 'garden.example', '203.0.113.9'],
            [$origin->scheme, $origin->host, $origin->address],
        );
    }

    public function test_behind_a_proxy_a_forged_host_or_prefix_leads_nowhere(): void
    {
        config(['trustedproxy.proxies' => ['127.0.0.1']]);
        $this->get('http://localhost/manage', ['X-Forwarded-Host' => 'evil.example'])->assertStatus(400);
        $prefixed = $this->get('http://localhost/manage', [
            'X-Forwarded-Prefix' => '@evil.example', 'X-Forwarded-Proto' => 'https', 'X-Forwarded-Port' => '8443',
        ]);
        $prefixed->assertHeader('Location', '/manage/sign-in');
        $this->assertSame('max-age=31536000', $prefixed->headers->get('Strict-Transport-Security'));
        // The framework trusts any proxy under some names of its makers' services; here nobody is trusted unasked.
        config(['trustedproxy.proxies' => []]);
        $this->get('http://x.on-forge.com/manage', ['X-Forwarded-Host' => 'localhost'])->assertStatus(400);
    }

    /** @return list<string> method and address of every route */
    private function routes(): array
    {
        $all = [];
        foreach (Route::getRoutes()->getRoutes() as $route) {
            foreach (array_filter(array_diff($route->methods(), ['HEAD']), is_string(...)) as $method) {
                $all[] = "{$method} {$route->uri()}";
            }
        }

        return $all;
    }

    public function test_an_answer_that_comes_late_brings_no_ended_session_back(): void
    {
        $this->actingAs($this->manager());
        $name = config()->string('session.cookie');
        $id = str_repeat('a', 40);
        $sent = function (string $method, string $path) use ($name, $id): ?string {
            $answer = $this->withCredentials()->withCookie($name, $id)->json($method, $path)->assertOk();
            $cookies = array_column(
                array_map(fn ($one): array => [$one->getName(), $one->getValue()], $answer->headers->getCookies()),
                1,
                0,
            );
            $value = $cookies[$name] ?? null;

            return $value === null ? null : substr((string) app('encrypter')->decrypt($value, false), -40);
        };
        $this->assertNull($sent('GET', '/manage/api/modules'));
        $this->assertNull($sent('GET', '/manage/api/tasks'));
        $this->assertSame($id, $sent('GET', '/manage/api/start'), 'each screen renews it');
        $lasts = fn (string $path): array => array_column(array_map(
            fn ($cookie): array => [$cookie->getName(), $cookie->getExpiresTime()],
            $this->withCookie($name, $id)->get($path)->assertOk()->headers->getCookies(),
        ), 1, 0);
        $ends = $lasts('/manage/modules')[$name];
        $this->assertEqualsWithDelta($ends, $lasts('/search')[$name], 10, 'on the site, too');
        $this->assertNotContains($sent('POST', '/manage/api/sign-out'), [null, $id]);
    }
}
