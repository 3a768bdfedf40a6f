<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\People\DemoAccounts;
use Database\Seeders\Demo\DemoSite;
use PHPUnit\Framework\TestCase;
use Tests\Support\RequestHeaders;
use Tests\Support\SecondServer;
use Tests\Support\WebClient;

/**
 * No header of one visitor changes the page that is kept for the others. Each header that the code reads is sent with
 * odd values, so that its answer is the one that is kept; then the page is asked for without it.
 */
final class KeptPagesTest extends TestCase
{
    private const ODD = [
        '"><meta http-equiv="refresh" content="0;url=https://evil.example/"><x y="', '@evil.example', 'https',
        'evil.example:8443, 127.0.0.1',
    ];

    /** A request with one of these is answered without kept pages, and its answer is not kept. */
    private const NEVER_KEPT = ['authorization: x', 'range: bytes=0-9', 'x-requested-with: x', 'accept: text/JSON'];

    /** So many headers are sent together; one at a time where the answer to all is not kept. */
    private const TOGETHER = 24;

    public function test_no_header_changes_a_kept_page_with_or_without_trusted_proxies(): void
    {
        $url = (string) getenv('SITE_URL');
        $plain = new SecondServer($url);
        $expected = $this->answer($plain->url, '/shop');
        $names = array_values(array_diff(RequestHeaders::all(), ['authorization', 'range', 'x-requested-with']));
        $this->assertContains('x-forwarded-prefix', $names);
        $this->assertContains('sec-purpose', $names);
        foreach (['', '127.0.0.1, 10.0.0.0/8'] as $proxies) {
            $server = new SecondServer($url, keepsPages: true, trustedProxies: $proxies);
            $kept = 0;
            $batches = array_chunk(self::NEVER_KEPT, 1);
            foreach (self::ODD as $value) {
                $headers = array_map(fn (string $name): string => "{$name}: {$value}", $names);
                array_push($batches, ...array_chunk($headers, self::TOGETHER));
            }
            while ($batches !== []) {
                $batch = array_shift($batches);
                $this->forget();
                $odd = $this->answer($server->url, '/shop', $batch);
                $next = $this->answer($server->url, '/shop');
                $said = "TRUSTED_PROXIES={$proxies}\n".implode("\n", $batch);
                $this->assertSame($expected['body'], $next['body'], $said);
                $this->assertSame(self::told($expected), self::told($next), $said);
                $this->assertStringNotContainsString('evil', $odd['body'].implode(' ', $odd['headers']), $said);
                if ($next['headers']['x-page-cache'] === 'hit') {
                    $kept += count($batch);
                } elseif (count($batch) > 1) {
                    array_push($batches, ...array_chunk($batch, max(1, intdiv(count($batch), 4))));
                }
            }
            $this->assertGreaterThan(count($names) * 3, $kept, 'the answers to most odd headers were kept');
        }
    }

    public function test_redirects_and_kept_pages_of_the_served_site_say_how_long_they_hold(): void
    {
        $site = new WebClient((string) getenv('SITE_URL'));
        $site->get('/shop');
        $kept = $site->get('/shop');
        $this->assertSame('hit', $kept['headers']['x-page-cache']);
        $this->assertStringContainsString('Cookie', $kept['headers']['vary']);
        $moved = $site->get('/shop/', ['X-Forwarded-Prefix: /evil', 'X-Forwarded-Host: evil.example']);
        $this->assertSame([301, '/shop', 'no-cache, private'], [
            $moved['status'], $moved['headers']['location'], $moved['headers']['cache-control'],
        ]);
        $port = (int) parse_url((string) getenv('SITE_URL'), PHP_URL_PORT);
        $other = (new WebClient((string) getenv('SITE_URL'), host: '127.0.0.1:'.($port + 1)))->get('/manage');
        $this->assertSame([302, '/manage/sign-in'], [$other['status'], $other['headers']['location']]);
    }

    /** The configuration holds the key and the password of the database; logs, exports and drafts hold more. */
    public function test_nobody_else_on_the_machine_can_read_what_the_server_keeps(): void
    {
        $root = dirname(__DIR__, 2);
        $var = dirname((string) getenv('APP_CONFIG_CACHE'), 2);
        $places = [
            "{$var}/cache", "{$var}/log", "{$var}/run", "{$root}/storage", "{$root}/bootstrap/cache", "{$root}/.env",
        ];
        foreach ($places as $place) {
            $this->assertFileExists($place);
        }
        $this->assertFileExists("{$var}/log/postgres.log");
        // A folder that others cannot enter hides what lies in it.
        exec('find '.implode(' ', array_map(escapeshellarg(...), $places))
            .' -type d ! -perm -o+x -prune -o -type f -perm -o+r -print', $readable);
        $this->assertSame([], $readable);
    }

    /** Each viewer gets what a server answers that keeps nothing, in whatever order they ask. */
    public function test_answers_of_different_viewers_never_share_a_kept_page(): void
    {
        $url = (string) getenv('SITE_URL');
        $plain = new SecondServer($url);
        $people = [
            'nobody' => null, 'a member' => 'linnet.carew@'.DemoAccounts::DOMAIN,
            'an author' => 'osric.vale@'.DemoAccounts::DOMAIN, 'a manager' => DemoSite::EMAIL,
        ];
        $clients = [];
        foreach ($people as $who => $email) {
            foreach (['kept' => $url, 'plain' => $plain->url] as $where => $address) {
                $clients[$who][$where] = $client = new WebClient($address, host: '127.0.0.1');
                if ($email !== null) {
                    $entered = $client->form(
                        '/account/sign-in',
                        ['email' => $email, 'password' => DemoAccounts::PASSWORD, 'to' => '/shop'],
                        ['Origin: http://127.0.0.1'],
                    );
                    $this->assertSame('/shop', $entered['headers']['location'] ?? null, $who);
                }
            }
        }
        mt_srand(26);
        $paths = ['/', '/shop', '/shop?shop-season=winter', '/journal', '/nowhere', '/account', '/groups'];
        for ($n = 0; $n < 60; $n++) {
            $who = array_keys($people)[mt_rand(0, 3)];
            $path = $paths[mt_rand(0, count($paths) - 1)];
            [$kept, $expected] = [$clients[$who]['kept']->get($path), $clients[$who]['plain']->get($path)];
            $this->assertSame(
                [$expected['status'], self::withoutTokens($expected['body'])],
                [$kept['status'], self::withoutTokens($kept['body'])],
                "{$who} at {$path}",
            );
            if ($who !== 'nobody') {
                $this->assertStringContainsString('private', $kept['headers']['cache-control'], "{$who} at {$path}");
            }
        }
    }

    private static function withoutTokens(string $body): string
    {
        return (string) preg_replace('/name="_token" value="[^"]*"/', '', $body);
    }

    /**
     * @param  list<string>  $headers
     * @return array{status: int, headers: array<string, string>, body: string}
     */
    private function answer(string $url, string $address, array $headers = []): array
    {
        // Pages are served under the site's own name, whichever server answers.
        return (new WebClient($url, host: '127.0.0.1'))->get($address, $headers);
    }

    /**
     * @param  array{headers: array<string, string>}  $answer
     * @return array<string, string> what must be the same for everybody
     */
    private static function told(array $answer): array
    {
        return array_intersect_key($answer['headers'], array_flip([
            'content-type', 'content-security-policy', 'location', 'strict-transport-security', 'x-frame-options',
        ]));
    }

    /** Every kept page is made anew when it is asked for next. */
    private function forget(): void
    {
        $database = new \PDO(sprintf(
            'pgsql:host=%s;port=%s;dbname=%s',
            getenv('DB_HOST'),
            getenv('DB_PORT'),
            getenv('DB_DATABASE'),
        ), (string) getenv('DB_USERNAME'), (string) getenv('DB_PASSWORD'));
        $database->exec("update types set updated_at = updated_at where key = 'product'");
    }
}
