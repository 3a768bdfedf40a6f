<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Catalogue\CatalogueStore;
use App\Media\VideoFetcher;
use App\Models\Video;
use App\Pages\SiteDefinitionStore;
use App\Video\FetchFailed;
use App\Video\OutsideFetch;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Video\VideoSite;

/** Videos of other sites, against a stand-in for such a site on this machine. */
final class VideosTest extends TestCase
{
    /** @var resource|null */
    private $server = null;

    private int $port = 0;

    protected function setUp(): void
    {
        parent::setUp();
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        $this->assertIsResource($socket);
        $this->port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);
        $server = proc_open(
            [PHP_BINARY, '-S', "127.0.0.1:{$this->port}", dirname(__DIR__).'/Support/oembed.php'],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
        );
        $this->assertIsResource($server);
        $this->server = $server;
        $until = microtime(true) + 10;
        while (@fsockopen('127.0.0.1', $this->port) === false && microtime(true) < $until) {
            usleep(20_000);
        }
    }

    protected function tearDown(): void
    {
        if ($this->server !== null) {
            proc_terminate($this->server);
            proc_close($this->server);
        }
        parent::tearDown();
    }

    public function test_a_video_is_described_once_and_plays_in_a_frame_of_ours(): void
    {
        $this->allowSite();
        $page = fn (): string => (string) $this->get('/films')->assertOk()->getContent();
        $this->publishPage(['key' => 'films', 'address' => '/films', 'title' => 'Films', 'bands' => [
            ['key' => 'body', 'slots' => [['share' => 12, 'blocks' => [
                ['block' => 'video', 'video' => 'https://video.example/beds'],
                ['block' => 'video', 'video' => 'https://other.example/beds'],
                ['block' => 'video', 'video' => 'https://files.example/beds.mp4', 'frame' => '4-3'],
                ['block' => 'text', 'html' => '<p><a href="https://video.example/pots">Pots</a></p>'
                    .'<p>See <a href="https://video.example/never">this</a>.</p>'],
            ]]]],
        ]]);
        $first = $page();
        // The queue of the tests works at once; the page that asked was already being made.
        $this->assertStringContainsString('href="https://video.example/beds"', $first);
        $html = $page();
        $this->assertStringContainsString('data-film="https://player.video.example/beds"', $html);
        $this->assertStringContainsString('Play “All about beds” from Example Video', $html);
        $this->assertStringContainsString('film-16-9', $html);
        preg_match('~/media/video-[a-z0-9-]+\.(?:webp|png|jpg)~', $html, $thumbnail);
        $this->get($thumbnail[0] ?? '/no')->assertOk();
        $this->assertStringNotContainsString('evil.example', $html, 'nothing of the answer is printed');
        $this->assertStringNotContainsString('<iframe', $html, 'nothing is loaded before a click');
        $this->assertStringContainsString('href="https://other.example/beds"', $html, 'it is not named: a link');
        $this->assertMatchesRegularExpression('~film-4-3[^>]*beds\.mp4[^>]*preload="none"~s', $html);
        $policy = (string) $this->get('/films')->headers->get('Content-Security-Policy');
        $this->assertStringContainsString('frame-src https://player.video.example;', $policy);
        $this->assertStringContainsString('data-film="https://player.video.example/pots"', $html, 'in a text');
        $this->assertStringNotContainsString('data-film="https://player.video.example/never"', $html, 'a plain link');
        $this->assertSame(2, Video::query()->count());
        $this->assertSame([1], array_unique(Video::query()->pluck('tries')->all()));
    }

    public function test_what_a_site_answers_too_late_too_large_or_elsewhere_is_left(): void
    {
        $this->allowSite();
        $videos = app(VideoFetcher::class);
        foreach (['moved' => 'status 302', 'large' => 'did not answer', 'slow' => 'did not answer'] as $video => $why) {
            $address = "https://video.example/{$video}";
            Video::query()->insert(['address' => $address]);
            $this->assertFalse($videos->fetch($address), $video);
            $fault = Video::query()->where('address', $address)->value('fault');
            $this->assertStringContainsString($why, (string) $fault);
        }
    }

    public function test_nothing_is_fetched_from_a_private_address(): void
    {
        $fetch = new OutsideFetch;
        foreach ([
            "https://127.0.0.1:{$this->port}/x", 'https://localhost/x', 'https://10.1.2.3/x', 'https://192.168.0.1/x',
            'https://169.254.169.254/x', 'https://[::1]/x', 'https://[fd00::1]/x', 'https://[::ffff:127.0.0.1]/x',
            'https://0.0.0.0/x', 'https://100.64.0.1/x', 'http://93.184.216.34/x', 'file:///etc/passwd',
            'https://a@1.1.1.1/',
        ] as $url) {
            try {
                $fetch->get($url, 1000);
                $this->fail("{$url} was fetched.");
            } catch (FetchFailed $failed) {
                $this->assertMatchesRegularExpression(
                    '/is not a public address|no address that may be fetched|has no address/',
                    $failed->getMessage(),
                    $url,
                );
            }
        }
        foreach ([
            '64:ff9b::7f00:1', '2002:7f00:1::', '::7f00:1', '::ffff:7f00:1', 'fec0::1', 'fe80::1', '224.0.0.1',
            '240.0.0.1', '192.0.0.170', '198.18.0.1', '2001:db8::1',
        ] as $address) {
            $this->assertFalse(OutsideFetch::isGlobal($address), $address);
        }
        $this->assertTrue(OutsideFetch::isGlobal('93.184.216.34'));
        $this->assertTrue(OutsideFetch::isGlobal('1.1.1.1'));
        $this->assertTrue(OutsideFetch::isGlobal('2606:4700::1111'));
    }

    /** The settings name the stand-in's site; it is reached on this machine, and without encryption. */
    private function allowSite(): void
    {
        $settings = app(CatalogueStore::class)->settings();
        $store = app(SiteDefinitionStore::class);
        $store->publish($store->save(new SiteSettings(
            $settings->name, $settings->locale, $settings->timeZone, $settings->firstWeekday, $settings->currency,
            videoSites: [new VideoSite(
                'Example Video', 'video.example', "https://127.0.0.1:{$this->port}/oembed", 'player.video.example',
            )],
        ), 0));
        $this->app->instance(OutsideFetch::class, new class extends OutsideFetch
        {
            public function get(string $url, int $most): string
            {
                return parent::get((string) preg_replace('/^https:/', 'http:', $url), $most);
            }

            protected function scheme(): string
            {
                return 'http';
            }

            protected function isPublic(string $address): bool
            {
                return true;
            }

            protected function seconds(): int
            {
                return 1;
            }
        });
    }
}
