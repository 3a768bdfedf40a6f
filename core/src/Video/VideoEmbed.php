<?php

declare(strict_types=1);

namespace Wellspring\Core\Video;

/**
 * The player of a video on another site: the address of its frame and its shape, from an answer of oEmbed 1.0. The
 * `html` of the answer is never printed; only the address of its first frame is read.
 */
final readonly class VideoEmbed
{
    private const MAX_TITLE = 300;

    private const MAX_SIDE = 10_000;

    private const ADDRESS = '~^https://[a-z0-9.-]+(:\d+)?/\S{0,1990}$~Di';

    private function __construct(
        public string $frame,
        public int $width,
        public int $height,
        public string $title,
        public ?string $thumbnail,
    ) {
    }

    /**
     * @param  mixed  $answer  decoded JSON
     * @return self|null null where it is no answer of oEmbed, or names no frame on the site's own host
     */
    public static function read(mixed $answer, VideoSite $site): ?self
    {
        if (! is_array($answer) || ($answer['type'] ?? null) !== 'video' || ! is_string($answer['html'] ?? null)) {
            return null;
        }
        $frame = self::frame($answer['html'], $site->frames);
        $thumbnail = $answer['thumbnail_url'] ?? null;
        $title = $answer['title'] ?? null;

        return $frame === null ? null : new self(
            $frame,
            self::side($answer['width'] ?? null) ?? 16,
            self::side($answer['height'] ?? null) ?? 9,
            is_string($title) ? mb_substr(trim((string) preg_replace('/\s+/u', ' ', $title)), 0, self::MAX_TITLE) : '',
            is_string($thumbnail) && preg_match(self::ADDRESS, $thumbnail) === 1 ? $thumbnail : null,
        );
    }

    private static function frame(string $html, string $host): ?string
    {
        $document = new \DOMDocument;
        if (trim($html) === '' || ! @$document->loadHTML($html, LIBXML_NONET)) {
            return null;
        }
        $address = $document->getElementsByTagName('iframe')->item(0)?->getAttribute('src') ?? '';
        $address = str_starts_with($address, '//') ? "https:{$address}" : $address;
        $parts = parse_url($address);

        return preg_match(self::ADDRESS, $address) === 1 && is_array($parts)
            && strtolower($parts['host'] ?? '') === $host && ! isset($parts['user']) && ! isset($parts['port'])
            ? $address
            : null;
    }

    private static function side(mixed $value): ?int
    {
        return is_numeric($value) && $value >= 1 && $value <= self::MAX_SIDE ? (int) $value : null;
    }
}
