<?php

declare(strict_types=1);

namespace App\Media;

use App\Models\Media;
use Illuminate\Support\Facades\Storage;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Slug;

/** Takes in pictures: told by their content, never by their name, and written anew, so that nothing else comes along. */
final class MediaStore
{
    public const MAX_BYTES = 15 * 1024 * 1024;

    private const MAX_PIXELS = 40_000_000;

    private const MAX_WIDTH = 1600;

    /**
     * @param  string  $bytes  of a PNG, JPEG, WebP or GIF picture
     * @param  string  $name  what it was called; its name here is made from that
     * @param  string  $alt  what it shows, in words
     *
     * @throws Refused
     */
    public function add(string $bytes, string $name, string $alt = ''): Media
    {
        $picture = $this->open($bytes);
        $width = imagesx($picture);
        if ($width > self::MAX_WIDTH) {
            $picture = imagescale($picture, self::MAX_WIDTH) ?: $picture;
        }
        imagepalettetotruecolor($picture);
        imagesavealpha($picture, true);
        ob_start();
        imagewebp($picture, null, 82);
        $webp = (string) ob_get_clean();

        $free = $this->freeName($name);
        Storage::disk('media')->put($free, $webp);

        return Media::query()->create([
            'name' => $free,
            'mime' => 'image/webp',
            'width' => imagesx($picture),
            'height' => imagesy($picture),
            'bytes' => strlen($webp),
            'alt' => $alt,
        ]);
    }

    private function open(string $bytes): \GdImage
    {
        if (strlen($bytes) > self::MAX_BYTES) {
            throw Refused::because('picture', 'tooLarge', 'expected a picture of at most 15 MB.');
        }
        $size = @getimagesizefromstring($bytes);
        if ($size === false || ! in_array($size[2], [IMAGETYPE_PNG, IMAGETYPE_JPEG, IMAGETYPE_WEBP, IMAGETYPE_GIF], true)) {
            throw Refused::because('picture', 'notAPicture', 'expected a PNG, JPEG, WebP or GIF picture; the file’s content is none of these.');
        }
        if ($size[0] * $size[1] > self::MAX_PIXELS) {
            throw Refused::because('picture', 'tooManyPixels', "expected at most 40 million pixels, found {$size[0]} × {$size[1]}.");
        }
        $picture = @imagecreatefromstring($bytes);

        return $picture === false ? throw Refused::because('picture', 'broken', 'the picture is broken and cannot be read.') : $picture;
    }

    private function freeName(string $name): string
    {
        $base = Slug::from(pathinfo($name, PATHINFO_FILENAME));
        for ($free = "{$base}.webp", $n = 2; Media::query()->where('name', $free)->exists(); $n++) {
            $free = "{$base}-{$n}.webp";
        }

        return $free;
    }
}
