<?php

declare(strict_types=1);

namespace Wellspring\Core\Video;

use Wellspring\Core\Problem\Shape;

/** A site whose videos may play on this site. It describes them by oEmbed (oembed.com, version 1.0). */
final readonly class VideoSite
{
    public const MAX_SITES = 20;

    private const HOST = '/^(?=.{4,253}$)([a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?\.)+[a-z]{2,63}$/D';

    /**
     * @param  string  $name  its name for visitors: “Play from Example”
     * @param  string  $host  the host of video addresses: `video.example`; subdomains count as well
     * @param  string  $oembed  the oEmbed address: `https://video.example/oembed`
     * @param  string  $frames  the host of the players' frames: `player.video.example`
     */
    public function __construct(public string $name, public string $host, public string $oembed, public string $frames)
    {
    }

    public static function read(Shape $shape): self
    {
        [$name, $host, $frames] = [$shape->text('name'), $shape->text('host'), $shape->text('frames')];
        $oembed = $shape->text('oembed');
        foreach (['host' => $host, 'frames' => $frames] as $key => $said) {
            if ($said !== '' && preg_match(self::HOST, $said) !== 1) {
                $shape->wrong($key, 'the name of a host, such as video.example', $said);
            }
        }
        if ($oembed !== '' && preg_match('~^https://[a-z0-9.-]+(:\d+)?/[^\s?#]*$~D', $oembed) !== 1) {
            $shape->wrong('oembed', 'an address such as https://video.example/oembed, without “?”', $oembed);
        }
        $shape->noOthers();

        return new self($name, $host, $oembed, $frames);
    }

    /** True if an address is one of its videos. */
    public function has(string $address): bool
    {
        $parts = parse_url($address);
        $host = strtolower((string) ($parts['host'] ?? ''));

        return ($parts['scheme'] ?? '') === 'https' && ! isset($parts['user'])
            && ($host === $this->host || str_ends_with($host, ".{$this->host}"));
    }

    /** The address that describes a video (oEmbed 1.0, section 2.2). */
    public function described(string $address): string
    {
        return $this->oembed.'?'.http_build_query(['url' => $address, 'format' => 'json', 'maxwidth' => 1280]);
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return ['name' => $this->name, 'host' => $this->host, 'oembed' => $this->oembed, 'frames' => $this->frames];
    }
}
