<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Wellspring\Core\Context\SiteSettingsReader;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Video\VideoEmbed;
use Wellspring\Core\Video\VideoOptions;
use Wellspring\Core\Video\VideoSite;

/** oEmbed 1.0 (oembed.com, read from memory): section 2.2 of requests, 2.3 of answers. */
final class VideoTest extends TestCase
{
    private const ANSWER = [
        'version' => '1.0', 'type' => 'video', 'title' => "Digging\n a bed", 'width' => 640, 'height' => 480,
        'html' => '<script>alert(1)</script>'
            .'<iframe width="640" src="https://player.video.example/7?a=1&amp;b=2"></iframe>',
        'thumbnail_url' => 'https://pictures.video.example/7.jpg',
    ];

    public function test_of_an_answer_only_the_address_of_a_frame_on_the_named_host_is_taken(): void
    {
        $embed = VideoEmbed::read(self::ANSWER, self::site());
        $this->assertSame('https://player.video.example/7?a=1&b=2', $embed?->frame);
        $this->assertSame(['Digging a bed', 640, 480], [$embed->title, $embed->width, $embed->height]);
        $this->assertSame('https://pictures.video.example/7.jpg', $embed->thumbnail);
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function wrongAnswers(): iterable
    {
        foreach ([
            'another host' => 'https://evil.example/7', 'a host that ends alike' => 'https://xplayer.video.example/7',
            'no encryption' => 'http://player.video.example/7', 'a script' => 'javascript:alert(1)',
            'a user' => 'https://a@player.video.example/7', 'a port' => 'https://player.video.example:8443/7',
            'a host in the path' => 'https://evil.example/player.video.example/7', 'nothing' => '',
        ] as $name => $address) {
            yield $name => [['html' => '<iframe src="'.htmlspecialchars($address).'"></iframe>'] + self::ANSWER];
        }
        yield 'no frame' => [['html' => '<object data="https://player.video.example/7"></object>'] + self::ANSWER];
        yield 'a picture' => [['type' => 'photo'] + self::ANSWER];
        yield 'no text' => [['html' => ['<iframe>']] + self::ANSWER];
    }

    /** @param  array<string, mixed>  $answer */
    #[DataProvider('wrongAnswers')]
    public function test_an_answer_without_such_a_frame_is_none(array $answer): void
    {
        $this->assertNull(VideoEmbed::read($answer, self::site()));
    }

    public function test_an_address_belongs_to_the_site_whose_host_it_names(): void
    {
        $site = self::site();
        foreach (['https://video.example/7', 'https://www.video.example/w?v=7'] as $own) {
            $this->assertTrue($site->has($own), $own);
        }
        foreach ([
            'http://video.example/7', 'https://notvideo.example/7', 'https://video.example.evil.example/7',
            'https://evil.example/?https://video.example/7', 'https://me@video.example/7', 'video.example/7',
        ] as $other) {
            $this->assertFalse($site->has($other), $other);
        }
        $this->assertSame(
            'https://video.example/oembed?url=https%3A%2F%2Fvideo.example%2F7&format=json&maxwidth=1280',
            $site->described('https://video.example/7'),
        );
    }

    public function test_a_video_takes_the_nearest_of_the_shapes(): void
    {
        foreach ([
            '16-9' => [1920, 1080], '4-3' => [640, 480], '1-1' => [500, 520], '9-16' => [1080, 1920],
        ] as $shape => [$width, $height]) {
            $this->assertSame($shape, VideoOptions::nearest($width, $height));
        }
    }

    public function test_faults_of_a_site_are_told_at_their_place(): void
    {
        $settings = ['format' => 1, 'name' => 'Garden', 'locale' => 'en-GB', 'timeZone' => 'Europe/London',
            'currency' => 'GBP'];
        $site = self::site()->toArray();
        $read = SiteSettingsReader::read($settings + ['videoSites' => [$site]]);
        $this->assertSame([$site], $read->toArray()['videoSites'] ?? null);
        foreach ([
            'host' => 'https://video.example', 'frames' => 'x; script-src *', 'oembed' => 'http://video.example/oembed',
            'name' => '',
        ] as $key => $wrong) {
            try {
                SiteSettingsReader::read($settings + ['videoSites' => [$site, [$key => $wrong] + $site]]);
                $this->fail("{$key} is refused.");
            } catch (Refused $refused) {
                $this->assertSame("videoSites[1].{$key}", $refused->problems[0]->path);
            }
        }
    }

    private static function site(): VideoSite
    {
        return new VideoSite(
            'Example Video', 'video.example', 'https://video.example/oembed', 'player.video.example',
        );
    }
}
