<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\People\DemoAccounts;
use Database\Seeders\Demo\DemoSite;
use PDO;
use PHPUnit\Framework\TestCase;
use Tests\Support\SecondServer;
use Tests\Support\WebClient;

/**
 * The served site keeps whole pages; beside it runs a second server on the same database that keeps nothing at all.
 * Whatever is written, in whatever way, both answer the same bytes.
 */
final class WholePagesTest extends TestCase
{
    use ValidatesHtml;

    /** So many writes, or as WRITES says. */
    private const WRITES = 60;

    /** So many addresses stand for all that begin alike. */
    private const SOME = 4;

    /** How often one of those writes comes that take their time. */
    private const SLOW_EVERY = 12;

    private PDO $database;

    private WebClient $site;

    protected function setUp(): void
    {
        $this->site = new WebClient(self::env('SITE_URL'));
        $this->database = self::connect();
        $this->database->exec(<<<'SQL'
            create or replace function address_of(item items) returns text language sql as $$
                select replace(definition #>> '{x-wellspring,address}', '{slug}', item.slug) from types
                where key = item.type_key
            $$
            SQL);
    }

    public function test_no_answer_is_older_than_a_write_that_was_acknowledged_before(): void
    {
        [$slug] = $this->column("select slug from items where type_key = 'product' and status = 'published' and "
            .'publish_at < now() order by publish_at desc, id limit 1');
        $acknowledged = tempnam(sys_get_temp_dir(), 'acknowledged');
        $writer = pcntl_fork();
        if ($writer === 0) {
            $database = self::connect();
            $write = $database->prepare("update items set title = ?, folded = jsonb_set(folded::jsonb, '{title}', "
                ."to_jsonb(?::text)) where type_key = 'product' and slug = ?");
            for ($n = 1; $n <= 100_000; $n++) {
                $write->execute(["Number {$n} ", "number {$n}", $slug]);
                file_put_contents("{$acknowledged}.new", (string) $n);
                rename("{$acknowledged}.new", $acknowledged);
                // Now and then long enough for a page to be made and asked for again, on a busy machine, too.
                usleep($n % 3 === 0 ? 1_500_000 : mt_rand(0, 250_000));
            }
            exit(0);
        }
        try {
            $end = microtime(true) + (float) (getenv('READ_SECONDS') ?: 5);
            $answers = $kept = 0;
            while (microtime(true) < $end) {
                foreach (["/shop/{$slug}", "/shop/{$slug}", '/', '/', '/shop', '/shop'] as $address) {
                    clearstatcache();
                    $least = (int) file_get_contents($acknowledged);
                    $answer = $this->site->get($address);
                    if (preg_match('/Number (\d+) /', $answer['body'], $found) === 1) {
                        $this->assertGreaterThanOrEqual($least, (int) $found[1], $address);
                        $answers++;
                        $kept += $answer['headers']['x-page-cache'] === 'hit' ? 1 : 0;
                    }
                }
            }
        } finally {
            posix_kill($writer, SIGKILL);
            pcntl_waitpid($writer, $status);
            @unlink($acknowledged);
        }
        $this->assertGreaterThan(8, $answers);
        $this->assertGreaterThan(0, $kept, 'some were kept ones');
    }

    public function test_a_page_is_sent_whole_packed_or_not_at_all(): void
    {
        $this->site->get('/shop');
        $whole = $this->site->get('/shop');
        $tag = $whole['headers']['etag'];
        $packed = $this->site->get('/shop', ['Accept-Encoding: gzip']);
        $head = $this->site->get('/shop', ['Accept-Encoding: gzip'], head: true);
        $same = $this->site->get('/shop', ["If-None-Match: \"other\", {$tag}"]);
        $this->assertSame($whole['body'], gzdecode($packed['body']));
        $this->assertSame(['gzip', $tag], [$packed['headers']['content-encoding'], $packed['headers']['etag']]);
        $this->assertSame(
            [200, '', (string) strlen($packed['body'])],
            [$head['status'], $head['body'], $head['headers']['content-length']],
        );
        $this->assertSame([304, '', $tag], [$same['status'], $same['body'], $same['headers']['etag']]);
        $this->assertSame(200, $this->site->get('/shop', ['If-None-Match: "other"'])['status']);
        $this->assertSame(
            ['hit', $whole['body']],
            [
                $this->site->get('/shop?from=a-friend')['headers']['x-page-cache'],
                $this->site->get('/shop?from=a-friend')['body'],
            ],
            'a parameter that the page does not know is none',
        );
        $this->assertStringContainsString('"type:product"', $whole['headers']['cache-groups']);
        $how = fn (string $query): string => $this->site->get("/shop?{$query}")['headers']['x-page-cache'];
        // Journeys beside this one write to the same site. A page that they change is made anew once more.
        $soon = fn (string $query): string => array_reduce(
            range(1, 3),
            fn (string $said): string => $said === 'hit' ? $said : $how($query),
            '',
        );
        $this->assertSame(['miss', 'hit'], [$how('shop-season=winter'), $soon('shop-season=winter')], 'one of few');
        $many = 'shop-light=half-shade,shade&shop-price=5..'.mt_rand(1000, 9999);
        $this->assertSame(
            ['miss', 'miss', 'hit'],
            [$how($many), $how($many), $soon($many)],
            'one of many is kept from the second time on that it is asked for',
        );
        foreach ([
            implode('&', array_reverse(explode('&', $many))), "{$many}&shop-none=1&utm=2", "{$many}.0",
            str_replace('half-shade,shade', 'shade,half-shade,blue', $many),
        ] as $same) {
            $this->assertSame('hit', $soon($same), "{$same} says the same");
        }

        $session = new WebClient(self::env('SITE_URL'));
        $session->signIn(DemoSite::EMAIL, DemoAccounts::PASSWORD);
        $member = $session->get('/shop');
        $this->assertSame(
            ['off', 'no-cache, private'],
            [$member['headers']['x-page-cache'], $member['headers']['cache-control']],
            'who has a session gets no kept page, and theirs is not kept',
        );
        $this->assertSame($whole['body'], $this->site->get('/shop')['body']);
    }

    public function test_every_public_page_is_valid_html(): void
    {
        $addresses = [
            ...$this->someOfEach(), '/search?q=fern', '/search?q=clemtis', '/account/sign-in', '/account/password',
            '/shop?shop-light=shade&shop-price=..8&shop-as=list', '/shop?shop-light=shade&shop-groups=trees',
            '/plots?plots-where=gate,2&plots-water=yes', '/whats-on?on-kind=talk', '/?plots-villages=quillmoor',
        ];
        $this->assertGreaterThan(50, count($addresses));
        $this->assertValidHtml(array_combine(
            $addresses,
            array_map(fn (string $address): string => $this->site->get($address)['body'], $addresses),
        ));
    }

    /**
     * What search engines are told, read by others: structured data by schema-dts 2, which is made of schema.org's
     * vocabulary itself; the sitemaps by the protocol's own XML Schema (sitemaps.org, of 2008-03-26), which the package
     * sitemap 9 brings.
     */
    public function test_structured_data_and_sitemaps_are_what_others_read(): void
    {
        $said = [];
        foreach ($this->someOfEach() as $address) {
            $body = $this->site->get($address)['body'];
            preg_match_all('~<script type="application/ld\+json">(.*?)</script>~s', $body, $found);
            foreach ($found[1] as $json) {
                $data = json_decode($json, true, 32, JSON_THROW_ON_ERROR);
                $this->assertSame('https://schema.org', $data['@context'], $address);
                $said[$data['@type']][] = $json;
            }
        }
        ksort($said);
        $this->assertSame(['Article', 'BreadcrumbList', 'Event', 'ItemList', 'Product'], array_keys($said));
        $types = implode(', ', array_keys($said));
        $lines = ["import type { WithContext, {$types} } from 'schema-dts';"];
        foreach ($said as $type => $all) {
            $some = implode(",\n", array_slice($all, 0, 20));
            $lines[] = "export const all{$type}: WithContext<{$type}>[] = [{$some}];";
        }
        $modules = dirname(__DIR__, 2).'/node_modules';
        $folder = sys_get_temp_dir().'/wellspring-data-'.bin2hex(random_bytes(6));
        mkdir($folder);
        file_put_contents("{$folder}/data.ts", implode("\n", $lines));
        file_put_contents("{$folder}/tsconfig.json", json_encode(['compilerOptions' => [
            'strict' => true, 'noEmit' => true, 'skipLibCheck' => true, 'types' => [], 'module' => 'esnext',
            'moduleResolution' => 'bundler', 'paths' => ['schema-dts' => ["{$modules}/schema-dts"]],
        ], 'files' => ['data.ts']], JSON_THROW_ON_ERROR));
        exec("{$modules}/.bin/tsc --project {$folder} 2>&1", $faults, $code);
        array_map(unlink(...), glob("{$folder}/*") ?: []);
        rmdir($folder);
        $this->assertSame(0, $code, implode("\n", array_slice($faults, 0, 20)));

        preg_match_all('~<sitemap><loc>([^<]+)</loc></sitemap>~', $this->site->get('/sitemap.xml')['body'], $parts);
        $this->assertGreaterThan(5, count($parts[1]));
        libxml_use_internal_errors(true);
        foreach ($parts[1] as $part) {
            $map = new \DOMDocument;
            $map->loadXML($this->site->get(self::path($part))['body']);
            $this->assertTrue($map->schemaValidate("{$modules}/sitemap/schema/sitemap.xsd"), implode(' ', array_map(
                fn (\LibXMLError $error): string => $error->message,
                libxml_get_errors(),
            )));
        }
    }

    public function test_the_form_on_kept_pages_is_taken_from_the_sites_own_pages_alone(): void
    {
        $enter = fn (string ...$headers): int => (new WebClient(self::env('SITE_URL')))->form('/account/sign-in', [
            'email' => DemoSite::EMAIL, 'password' => DemoAccounts::PASSWORD, 'to' => '/shop',
        ], array_values($headers))['status'];
        $this->assertSame([302, 419, 419], [
            $enter('Origin: '.self::env('SITE_URL')),
            $enter('Origin: http://elsewhere.example'),
            $enter(),
        ]);
    }

    public function test_of_thirty_wrong_passwords_at_the_same_moment_five_are_checked(): void
    {
        $email = 'guess-'.bin2hex(random_bytes(4)).'@example.org';
        $answers = $this->site->atOnce(
            '/account/sign-in',
            30,
            fn (int $n): array => ['Origin: '.self::env('SITE_URL')],
            form: ['email' => $email, 'password' => 'a wrong one', 'to' => '/shop'],
        );
        $this->assertSame([302], array_values(array_unique(array_column($answers, 'status'))));
        $checked = $this->column(
            "select count(*) from audit_entries where action = 'signInFailed' and subject = '{$email}'",
        );
        $this->assertSame('5', (string) $checked[0]);
    }

    public function test_a_hundred_at_once_make_a_page_once_and_views_are_counted_all_the_same(): void
    {
        [$slug, $other] = $this->column("select slug from items where type_key = 'post' and status = 'published' and "
            ."audience = '{everyone}' and publish_at < now() order by id limit 2");
        $viewsOf = fn (string $of): int => (int) $this->column('select coalesce(sum(views), 0) from item_views join '
            ."items on items.id = item_id where type_key = 'post' and slug = '{$of}'")[0];
        $views = fn (): int => $viewsOf($slug);
        $this->database->exec("update items set title = title || '!' where type_key = 'post' and slug = '{$slug}'");
        $before = $views();
        $agent = fn (int $n): array => ["User-Agent: Mozilla/5.0 {$n}"];
        $answers = $this->site->atOnce("/journal/{$slug}", 100, $agent, fromEverywhere: true);
        $this->assertSame([200], array_values(array_unique(array_column($answers, 'status'))));
        $this->assertCount(1, array_unique(array_column($answers, 'body')));
        // Nobody waits longer than three seconds, which a busy machine may take for one page.
        $this->assertLessThan(
            3,
            count(array_filter($answers, fn (array $one): bool => $one['headers']['x-page-cache'] === 'miss')),
        );
        for ($try = 0; $try < 100 && $views() < $before + 100; $try++) {
            usleep(50_000);
        }
        $this->assertSame($before + 100, $views());
        $this->site->atOnce("/journal/{$slug}", 30, $agent, fromEverywhere: true);
        $this->site->atOnce("/journal/{$slug}", 30, fn (int $n): array => ["User-Agent: Mozilla/6.0 {$n}"]);
        // A view is counted after its page was sent: that of a later page is counted when those before it are.
        $later = $viewsOf($other) + 1;
        $this->site->atOnce("/journal/{$other}", 1, $agent, fromEverywhere: true);
        for ($try = 0; $try < 100 && $viewsOf($other) < $later; $try++) {
            usleep(50_000);
        }
        $this->assertSame($later, $viewsOf($other));
        $this->assertSame($before + 101, $views(), 'one network under thirty names, and the others again');
    }

    /** nginx sends the file, in parts and by its own type, while the application says that it may be seen. */
    public function test_a_file_is_sent_as_long_as_everybody_may_see_what_uses_it(): void
    {
        [$id] = $this->column("select id from items where type_key = 'product' and status = 'published' and publish_at "
            ."< now() and expire_at is null and audience = '{everyone}' and fields->>'picture' is not null and "
            .'(select count(*) from items other where other.media_names && items.media_names) = 1 order by id limit 1');
        [$name] = $this->column("select fields->>'picture' from items where id = {$id}");
        $base = pathinfo($name, PATHINFO_FILENAME);
        $forms = ["/media/{$name}" => 'image/webp', "/media/w400/{$base}.jpg" => 'image/jpeg'];
        $editor = new WebClient(self::env('SITE_URL'));
        $editor->signIn(DemoSite::EMAIL, DemoAccounts::PASSWORD);
        foreach ($forms as $address => $type) {
            $sent = $this->site->get($address);
            $this->assertSame([200, $type, 'public, max-age=3600', 'nosniff'], [
                $sent['status'], ...array_map(
                    fn (string $header): string => $sent['headers'][$header],
                    ['content-type', 'cache-control', 'x-content-type-options'],
                ),
            ], $address);
            $this->assertSame(strlen($sent['body']), (int) $sent['headers']['content-length']);
            $part = $this->site->get($address, ['Range: bytes=10-19']);
            $this->assertSame([206, bin2hex(substr($sent['body'], 10, 10))], [$part['status'], bin2hex($part['body'])]);
            $same = $this->site->get($address, ["If-None-Match: {$sent['headers']['etag']}"]);
            $this->assertSame([304, ''], [$same['status'], $same['body']]);
            $this->database->exec("update items set status = 'draft' where id = {$id}");
            $hidden = $this->site->get($address, ["If-None-Match: {$sent['headers']['etag']}"]);
            $this->assertSame([404, "There is no such file.\n"], [$hidden['status'], $hidden['body']]);
            $again = $editor->get($address);
            $this->assertSame(
                [200, $type, 'no-cache, private', md5($sent['body'])],
                [
                    $again['status'], $again['headers']['content-type'], $again['headers']['cache-control'],
                    md5($again['body']),
                ],
            );
            $this->database->exec("update items set status = 'published' where id = {$id}");
            $this->assertSame(200, $this->site->get($address)['status']);
        }
        $this->assertSame(404, $this->site->get("/stored-media/{$name}")['status'], 'there is no way past the rule');
    }

    /** Words that only hidden records hold stand nowhere for those whom they are hidden from, kept or not. */
    public function test_nobody_is_shown_what_is_not_for_them(): void
    {
        foreach ([
            'unpublished' => "status = 'draft'", 'scheduled' => "publish_at = now() + interval '9 days'",
            'expired' => "expire_at = now() - interval '1 day'", 'forfriends' => "audience = '{group:friends}'",
            'formembers' => "audience = '{members}'",
        ] as $word => $set) {
            $this->database->exec("update items set {$set}, title = title || ' {$word}', text = '<p>{$word}</p>' where "
                ."id in (select id from items where status = 'published' and publish_at < now() and audience = "
                ."'{everyone}' and expire_at is null order by id % 7, id limit 6)");
        }
        $this->database->exec("update pages set live = jsonb_set(live, '{bands,0,slots,0,blocks,0}', "
            ."'{\"block\": \"heading\", \"text\": \"formembers\", \"audience\": [\"members\"]}') "
            ."where address in ('/', '/shop', '/groups/{group}')");
        [$email] = $this->column("select email from users where role = 'member' and password is not null order by id");
        $this->database->exec("delete from group_user where user_id = (select id from users where email = '{$email}')");
        $member = new WebClient(self::env('SITE_URL'));
        $enter = ['email' => $email, 'password' => DemoAccounts::PASSWORD, 'to' => '/'];
        $entered = $member->form('/account/sign-in', $enter, ['Origin: '.self::env('SITE_URL')]);
        $this->assertSame(302, $entered['status']);
        $hidden = ['unpublished', 'scheduled', 'expired', 'forfriends'];
        $ofHidden = "from items where title ~ ' (unpublished|scheduled|expired|forfriends|formembers)$'";
        $addresses = array_unique([
            ...$this->someOfEach(), '/sitemap/product.xml', '/search?q=garden',
            ...$this->column("select address_of(items) {$ofHidden}"),
            ...$this->column("select '/search?q=' || split_part(title, ' ', 1) {$ofHidden} order by id % 5 limit 10"),
        ]);
        $seen = 0;
        foreach ($addresses as $address) {
            $this->assertDoesNotMatchRegularExpression(
                '~'.implode('|', [...$hidden, 'formembers']).'~',
                $this->site->get($address)['body'],
                "{$address} for somebody who is not signed in",
            );
            $body = $member->get($address)['body'];
            $this->assertDoesNotMatchRegularExpression('~'.implode('|', $hidden).'~', $body, "{$address}, a member");
            $seen += str_contains($body, 'formembers') ? 1 : 0;
        }
        $this->assertGreaterThan(8, $seen, 'members see what is for them');
    }

    /** The last of all: it leaves the demo site in pieces. */
    public function test_after_every_write_a_kept_page_is_what_making_it_anew_gives(): void
    {
        $server = new SecondServer(self::env('SITE_URL'));
        $fresh = new WebClient($server->url, host: (string) preg_replace('~^http://~', '', self::env('SITE_URL')));
        mt_srand($seed = (int) (getenv('SEED') ?: random_int(1, 1_000_000)));
        $addresses = [...$this->addresses(), ...array_fill(0, 4, '/shop?shop-light=shade'), ...array_fill(
            0,
            4,
            '/shop?shop-groups=perennials&shop-price=..8&shop-sort=cheapest',
        )];
        [$writes, $slow] = [$this->writes(), $this->slowWrites()];
        $this->assertGreaterThan([150, 15], [count($addresses), count($writes)]);
        $hits = $statuses = [];
        $compare = function (string $address, string $after) use ($fresh, $seed, &$hits, &$statuses): void {
            $kept = $this->site->get($address);
            $again = $this->site->get($address);
            $made = $fresh->get($address);
            $this->assertSame(
                [$made['status'], $made['body']],
                [$kept['status'], $kept['body']],
                "{$address} after: {$after}; SEED={$seed}",
            );
            $this->assertSame($kept['body'], $again['body'], "{$address} once more after: {$after}; SEED={$seed}");
            // On a busy machine, the page may be asked for before the last answer is kept.
            for ($try = 0; $try < 2 && ($again['headers']['x-page-cache'] ?? '') !== 'hit'; $try++) {
                $again = $this->site->get($address);
            }
            $hits[] = $again['headers']['x-page-cache'] ?? '';
            $statuses[] = $kept['status'];
        };
        for ($n = 0; $n < (int) (getenv('WRITES') ?: self::WRITES);) {
            // What is kept now is what the writes make stale.
            $asked = ['/', ...array_map(fn (): string => $addresses[mt_rand(0, count($addresses) - 1)], [1, 2])];
            array_walk($asked, fn (string $address) => $this->site->get($address));
            $done = [];
            for ($end = $n + mt_rand(2, 6); $n < $end; $n++) {
                $some = array_keys($n % self::SLOW_EVERY === 0 ? $slow : $writes);
                $what = $some[mt_rand(0, count($some) - 1)];
                array_push($asked, ...array_slice(($writes + $slow)[$what]($n), 0, 1));
                $done[] = "{$what} ({$n})";
            }
            foreach (array_unique($asked) as $address) {
                $compare($address, implode(', ', $done));
            }
        }
        $counts = array_count_values($hits);
        $this->assertGreaterThan(0.8 * count($hits), $counts['hit'] ?? 0, 'pages are kept');
        $this->assertContains(404, $statuses, 'what is gone was asked for, too');
    }

    /** @return list<string> every public address of the sitemap, and some that nothing stands at */
    private function addresses(): array
    {
        $addresses = ['/nothing', '/shop/nothing', '/journal/1999-01', '/shop?plants-for-shade-page=2'];
        preg_match_all('~<loc>([^<]+)</loc>~', $this->site->get('/sitemap.xml')['body'], $parts);
        foreach ($parts[1] as $part) {
            preg_match_all('~<loc>([^<]+)</loc>~', $this->site->get(self::path($part))['body'], $pages);
            array_push($addresses, ...array_map(self::path(...), $pages[1]));
        }

        return array_values(array_unique($addresses));
    }

    /** @return list<string> the same, but of addresses that begin alike, and so are made alike, so many */
    private function someOfEach(): array
    {
        $some = [];
        foreach ($this->addresses() as $address) {
            $begin = substr_count($address, '/') > 1 ? strtok($address, '/') : '';
            if ($begin === '' || count($some[$begin] ?? []) < self::SOME) {
                $some[$begin][] = $address;
            }
        }

        return array_merge(...array_values($some));
    }

    private static function path(string $url): string
    {
        return (string) parse_url(htmlspecialchars_decode($url), PHP_URL_PATH);
    }

    /** @return array<string, \Closure(int): list<string>> by what they write: each gives addresses that it changes */
    private function writes(): array
    {
        $writes = [];
        preg_match_all('/^-- ([^.\n]+)\n((?!--).+?;)$/ms', (string) file_get_contents(__DIR__.'/writes.sql'), $found);
        foreach (array_combine($found[1], $found[2]) as $what => $statement) {
            $writes[$what] = fn (int $n): array => $this->column(str_replace(
                ['{n}', '{item}'],
                [(string) $n, '(select id from items order by random() limit 1)'],
                $statement,
            ));
        }
        $manager = new WebClient(self::env('SITE_URL'));
        $manager->signIn(DemoSite::EMAIL, DemoAccounts::PASSWORD);

        return $writes + ['many items, by a job of a manager’s' => function (int $n) use ($manager): array {
            $ids = $this->column("select id from items where type_key = 'product' order by random() limit 3");
            $manager->send('POST', '/manage/api/items/many', [
                'type' => 'product', 'ids' => array_map(intval(...), $ids),
                'do' => $n % 2 === 0 ? 'publish' : 'unpublish',
            ]);

            return ['/shop'];
        }];
    }

    /** @return array<string, \Closure(int): list<string>> likewise: what comes by the clock, and by commands */
    private function slowWrites(): array
    {
        $soon = "date_trunc('second', now()) + interval '2 s'";

        return [
            'an item that comes by itself' => fn (): array => $this->after("publish_at = {$soon}, expire_at = null"),
            'an item that goes by itself' => fn (): array => $this->after(
                "publish_at = '2026-01-01', expire_at = {$soon}",
            ),
            'a module that is published, by a command' => function (int $n): array {
                $definition = json_decode(self::artisan('wellspring:modules:export newest-in-the-shop'), true);
                self::artisan('wellspring:modules:apply - --publish', json_encode(
                    ['name' => "Newest {$n}"] + $definition,
                    JSON_THROW_ON_ERROR,
                ));

                return ['/'];
            },
            'marks that are folded' => function (): array {
                self::artisan('wellspring:tidy');

                return ['/shop'];
            },
        ];
    }

    /** @return list<string> the address of an item that changes by itself, after it has */
    private function after(string $set): array
    {
        $addresses = $this->column("update items set {$set}, status = 'published' where id = (select id from items "
            .'order by random() limit 1) returning address_of(items)');
        // What is kept meanwhile ends by itself.
        array_walk($addresses, fn (string $address) => $this->site->get($address));
        $this->site->get('/');
        usleep(2_050_000);

        return $addresses;
    }

    /** @return list<string> the first column, without nulls */
    private function column(string $sql): array
    {
        $rows = $this->database->query($sql);
        $this->assertNotFalse($rows);

        return array_values(array_map(strval(...), array_filter($rows->fetchAll(PDO::FETCH_COLUMN), is_scalar(...))));
    }

    private static function artisan(string $command, string $input = ''): string
    {
        $process = proc_open(
            'exec '.PHP_BINARY." artisan {$command}",
            [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']],
            $pipes,
            dirname(__DIR__, 2),
        );
        self::assertIsResource($process);
        fwrite($pipes[0], $input);
        fclose($pipes[0]);
        $said = (string) stream_get_contents($pipes[1]);
        self::assertSame(0, proc_close($process), $command.$said);

        return $said;
    }

    private static function connect(): PDO
    {
        return new PDO(
            'pgsql:host='.self::env('DB_HOST').';port='.self::env('DB_PORT').';dbname='.self::env('DB_DATABASE'),
            self::env('DB_USERNAME'),
            self::env('DB_PASSWORD'),
        );
    }

    private static function env(string $name): string
    {
        return getenv($name) ?: self::fail("{$name} is not set; bin/test sets it.");
    }
}
