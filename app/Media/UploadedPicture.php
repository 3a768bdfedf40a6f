<?php

declare(strict_types=1);

namespace App\Media;

use Intervention\Image\ImageManager;
use Intervention\Image\Interfaces\ImageInterface;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/**
 * An uploaded picture, drawn again: upright, without EXIF data; of an animation only the first frame.
 */
final readonly class UploadedPicture
{
    public const MAX_BYTES = 15 * 1024 * 1024;

    /** The widths of a picture in px; the largest limits the stored size. */
    public const WIDTHS = [400, 800, 1200, 1600];

    /** Number of sample points in each direction for detecting transparency. */
    private const GRID = 60;

    private function __construct(private ImageInterface $image)
    {
    }

    /**
     * @param  string  $bytes  of a PNG, JPEG, WebP or GIF picture
     *
     * @throws Refused where it is too large, or no such picture
     */
    public static function open(string $bytes): self
    {
        self::refuseUnfit($bytes);
        try {
            $image = ImageManager::gd(decodeAnimation: false)->read($bytes);
        } catch (\RuntimeException) {
            throw Refused::because('picture', ProblemCode::Broken, 'the picture is broken and cannot be read.');
        }

        return new self($image->scaleDown(width: max(self::WIDTHS)));
    }

    public function width(): int
    {
        return $this->image->width();
    }

    public function height(): int
    {
        return $this->image->height();
    }

    /** True if a sample point is transparent. */
    public function isClear(): bool
    {
        [$right, $bottom] = [$this->width() - 1, $this->height() - 1];
        for ($x = 0; $x < self::GRID; $x++) {
            for ($y = 0; $y < self::GRID; $y++) {
                $colour = $this->image->pickColor(
                    intdiv($x * $right, self::GRID - 1),
                    intdiv($y * $bottom, self::GRID - 1),
                );
                if ($colour->isTransparent()) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return non-empty-list<int> the widths that it is kept in, in px, its own the last */
    public function widths(): array
    {
        return [...array_filter(self::WIDTHS, fn (int $width): bool => $width < $this->width()), $this->width()];
    }

    /**
     * @param  int  $width  in px
     * @param  'png'|'jpg'  $plain  the extension besides webp
     * @return array<string, string> the picture in that width, by ending
     */
    public function written(int $width, string $plain): array
    {
        $drawn = $width === $this->width() ? $this->image : (clone $this->image)->scaleDown(width: $width);

        return [
            'webp' => (string) $drawn->toWebp(82),
            $plain => (string) ($plain === 'png' ? $drawn->toPng() : $drawn->toJpeg(84)),
        ];
    }

    /** @throws Refused */
    private static function refuseUnfit(string $bytes): void
    {
        if (strlen($bytes) > self::MAX_BYTES) {
            throw Refused::because('picture', ProblemCode::TooLarge, 'expected a picture of at most 15 MB.');
        }
        $size = @getimagesizefromstring($bytes);
        $kinds = [IMAGETYPE_PNG, IMAGETYPE_JPEG, IMAGETYPE_WEBP, IMAGETYPE_GIF];
        if ($size === false || ! in_array($size[2], $kinds, true)) {
            throw Refused::because(
                'picture',
                ProblemCode::NotAPicture,
                'expected a PNG, JPEG, WebP or GIF picture; the file’s content is none of these.',
            );
        }
        $most = config()->integer('site.media.max_pixels');
        if ($most < $size[0] * $size[1]) {
            throw Refused::because(
                'picture',
                ProblemCode::TooManyPixels,
                'expected at most '.number_format($most)." pixels, found {$size[0]} × {$size[1]}.",
            );
        }
    }
}
