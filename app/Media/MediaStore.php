<?php

declare(strict_types=1);

namespace App\Media;

use App\Audit\Actor;
use App\Audit\AuditTrail;
use App\Content\StaleWrite;
use App\Database\FreeName;
use App\Enums\AuditAction;
use App\Models\Media;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Slug;

/**
 * Takes in pictures and files: told by their content, never by their name. Pictures are drawn anew in every width that
 * the site uses, so that nothing else of what was uploaded — where it was taken, by which camera — comes along.
 */
final class MediaStore
{
    public const MAX_BYTES = 60 * 1024 * 1024;

    public const MAX_PICTURE_BYTES = 15 * 1024 * 1024;

    /** Widths in px that a picture is made in; the largest is the most that is kept. */
    public const WIDTHS = [400, 800, 1200, 1600];

    /** @var array<string, array{'file'|'video', string}> kind and ending by MIME type */
    private const FILES = [
        'application/pdf' => ['file', 'pdf'],
        'text/plain' => ['file', 'txt'],
        'text/csv' => ['file', 'csv'],
        'application/zip' => ['file', 'zip'],
        'application/vnd.openxmlformats-officedocument.wordprocessingml.document' => ['file', 'docx'],
        'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet' => ['file', 'xlsx'],
        'application/vnd.openxmlformats-officedocument.presentationml.presentation' => ['file', 'pptx'],
        'application/vnd.oasis.opendocument.text' => ['file', 'odt'],
        'application/vnd.oasis.opendocument.spreadsheet' => ['file', 'ods'],
        'audio/mpeg' => ['file', 'mp3'],
        'audio/ogg' => ['file', 'ogg'],
        'video/mp4' => ['video', 'mp4'],
        'video/webm' => ['video', 'webm'],
    ];

    /**
     * @param  float  $x  what must stay in sight when a picture is cut, 0 at the left to 1 at the right
     * @param  float  $y  likewise, 0 at the top
     * @param  int|null  $revision  the revision that the change started from; null to write in any case
     *
     * @throws StaleWrite with the file as it is now
     */
    public function describe(Media $media, string $alt, float $x, float $y, ?int $revision): Media
    {
        return DB::transaction(function () use ($media, $alt, $x, $y, $revision): Media {
            $media = Media::query()->lockForUpdate()->findOrFail($media->id);
            if ($revision !== null && $media->revision !== $revision) {
                throw new StaleWrite($media->revision, ['media' => $media->about()]);
            }
            $media->update(['alt' => $alt, 'focus_x' => $x, 'focus_y' => $y, 'revision' => $media->revision + 1]);

            return $media;
        });
    }

    /**
     * @param  string  $path  of the file on this machine
     * @param  string  $name  what it was called; its name here is made from that
     * @param  string  $alt  what a picture shows, in words
     *
     * @throws Refused
     */
    public function take(string $path, string $name, string $alt = ''): Media
    {
        $bytes = (int) filesize($path);
        if ($bytes > self::MAX_BYTES) {
            throw Refused::because('file', ProblemCode::TooLarge, 'expected a file of at most 60 MB.');
        }
        if (@getimagesize($path) !== false) {
            return $this->add((string) file_get_contents($path), $name, $alt);
        }
        $mime = (string) (new \finfo(FILEINFO_MIME_TYPE))->file($path);
        [$kind, $ending] = self::FILES[$mime]
            ?? throw Refused::because(
                'file',
                ProblemCode::UnknownKind,
                'expected a picture (PNG, JPEG, WebP, GIF), a document (PDF, text, office), sound or video; the '
                    ."content of “{$name}” is {$mime}.",
            );
        if ($mime === 'text/plain' && str_ends_with(strtolower($name), '.csv')) {
            $ending = 'csv';
        }
        $this->mustFit($bytes);
        $media = new Media([
            'kind' => $kind,
            'title' => $name,
            'mime' => $mime,
            'bytes' => $bytes,
            'alt' => $alt,
            'sizes' => [],
            'user_id' => Actor::id(),
        ]);

        return $this->keep(
            $media,
            $name,
            $ending,
            ['' => fn () => fopen($path, 'rb') ?: throw new \RuntimeException("{$path} cannot be read.")],
        );
    }

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
        imagepalettetotruecolor($picture);
        $picture = $this->narrowed($picture, max(self::WIDTHS));
        $clear = $this->isClear($picture);
        $plain = $clear ? 'png' : 'jpg';
        $files = $sizes = [];
        foreach ([
            ...array_filter(self::WIDTHS, fn (int $width): bool => $width < imagesx($picture)),
            imagesx($picture),
        ] as $width) {
            $folder = $width === imagesx($picture) ? '' : "w{$width}/";
            $drawn = $this->narrowed($picture, $width);
            foreach (['webp', $plain] as $ending) {
                $files["{$folder} {$ending}"] = $this->write($drawn, $ending);
            }
            $sizes[] = $width;
        }
        $stored = array_sum(array_map(strlen(...), $files));
        $this->mustFit($stored);

        return $this->keep(new Media([
            'kind' => 'picture',
            'title' => $name,
            'mime' => $clear ? 'image/png' : 'image/jpeg',
            'width' => imagesx($picture),
            'height' => imagesy($picture),
            'bytes' => $stored,
            'alt' => $alt,
            'sizes' => $sizes,
            'user_id' => Actor::id(),
        ]), $name, 'webp', array_map(fn (string $bytes): \Closure => fn (): string => $bytes, $files));
    }

    /** How many pixels a picture of this machine's has; 0 where it is none. */
    public static function pixels(string $path): int
    {
        $size = @getimagesize($path);

        return $size === false ? 0 : $size[0] * $size[1];
    }

    /**
     * Keeps the row and the files together: both, or, where the transaction does not come about, neither.
     *
     * @param  array<string, \Closure(): (string|resource)>  $files  contents by folder and ending: `w400/ jpg`; ''
     *   for the one as it came
     */
    private function keep(Media $media, string $name, string $ending, array $files): Media
    {
        return DB::transaction(function () use ($media, $name, $ending, $files): Media {
            $base = Slug::from(pathinfo($name, PATHINFO_FILENAME));
            FreeName::insert($media, 'name', [], fn (int $n): string => $base.($n === 1 ? '' : "-{$n}").".{$ending}");
            $kept = pathinfo($media->name, PATHINFO_FILENAME);
            $paths = [];
            $this->whenAnyRollsBack(function () use (&$paths): void {
                Storage::disk('media')->delete($paths);
            });
            foreach ($files as $place => $content) {
                [$folder, $as] = explode(' ', $place) + ['', $ending];
                $paths[] = "{$folder}{$kept}.{$as}";
                Storage::disk('media')->put("{$folder}{$kept}.{$as}", $content());
            }

            return $media->refresh();
        });
    }

    /**
     * Not only when the innermost of the open transactions rolls back, as with DB::afterRollBack, but any around it.
     */
    private function whenAnyRollsBack(\Closure $do): void
    {
        foreach (app('db.transactions')->getPendingTransactions() as $transaction) {
            $transaction->addCallbackForRollback($do);
        }
    }

    /** @throws Refused where the site's files would take more room than the site allows */
    private function mustFit(int $bytes): void
    {
        $quota = config()->integer('site.media.quota_mb') * 1024 * 1024;
        if ($quota > 0 && (int) Media::query()->sum('bytes') + $bytes > $quota) {
            throw Refused::because(
                'file',
                ProblemCode::Quota,
                'the site’s files may take '.number_format($quota / 1024 / 1024)
                    .' MB in all, and this one does not fit. Remove some first, or raise MEDIA_QUOTA_MB.',
            );
        }
    }

    public function remove(Media $media): void
    {
        DB::transaction(function () use ($media): void {
            AuditTrail::record(
                AuditAction::FileRemoved,
                $media->title === '' ? $media->name : $media->title,
                ['name' => $media->name],
            );
            $media->delete();
            DB::afterCommit(fn () => Storage::disk('media')->delete($media->files()));
        });
    }

    private function open(string $bytes): \GdImage
    {
        if (strlen($bytes) > self::MAX_PICTURE_BYTES) {
            throw Refused::because('picture', ProblemCode::TooLarge, 'expected a picture of at most 15 MB.');
        }
        $size = @getimagesizefromstring($bytes);
        if (
            $size === false
            || ! in_array($size[2], [IMAGETYPE_PNG, IMAGETYPE_JPEG, IMAGETYPE_WEBP, IMAGETYPE_GIF], true)
        ) {
            throw Refused::because(
                'picture',
                ProblemCode::NotAPicture,
                'expected a PNG, JPEG, WebP or GIF picture; the file’s content is none of these.',
            );
        }
        if (config()->integer('site.media.max_pixels') < $size[0] * $size[1]) {
            $most = number_format(config()->integer('site.media.max_pixels'));
            throw Refused::because(
                'picture',
                ProblemCode::TooManyPixels,
                "expected at most {$most} pixels, found {$size[0]} × {$size[1]}.",
            );
        }
        $picture = @imagecreatefromstring($bytes);
        if ($picture === false) {
            throw Refused::because('picture', ProblemCode::Broken, 'the picture is broken and cannot be read.');
        }

        return $size[2] === IMAGETYPE_JPEG ? $this->upright($picture, $bytes) : $picture;
    }

    /** Turned as the camera was held (Exif 2.32, tag Orientation). */
    private function upright(\GdImage $picture, string $bytes): \GdImage
    {
        $stream = fopen('data://image/jpeg;base64,'.base64_encode($bytes), 'rb');
        $said = $stream === false ? false : @exif_read_data($stream);
        $orientation = is_array($said) ? (int) ($said['Orientation'] ?? 1) : 1;
        $turned = match ($orientation) {
            3, 4 => imagerotate($picture, 180, 0),
            5, 6 => imagerotate($picture, 270, 0),
            7, 8 => imagerotate($picture, 90, 0),
            default => $picture,
        };
        $turned = $turned === false ? $picture : $turned;
        if (in_array($orientation, [2, 4, 5, 7], true)) {
            imageflip($turned, IMG_FLIP_HORIZONTAL);
        }

        return $turned;
    }

    private function narrowed(\GdImage $picture, int $width): \GdImage
    {
        if (imagesx($picture) > $width) {
            $picture = imagescale($picture, $width, -1, IMG_BICUBIC_FIXED) ?: $picture;
        }
        imagesavealpha($picture, true);

        return $picture;
    }

    /** Whether anything shines through it; told from a grid of its points. */
    private function isClear(\GdImage $picture): bool
    {
        for ($x = 0; $x < 60; $x++) {
            for ($y = 0; $y < 60; $y++) {
                if ((imagecolorat(
                    $picture,
                    intdiv($x * (imagesx($picture) - 1), 59),
                    intdiv($y * (imagesy($picture) - 1), 59),
                ) >> 24 & 0x7F) > 0) {
                    return true;
                }
            }
        }

        return false;
    }

    private function write(\GdImage $picture, string $ending): string
    {
        ob_start();
        match ($ending) {
            'webp' => imagewebp($picture, null, 82),
            'png' => imagepng($picture, null, 6),
            default => imagejpeg($picture, null, 84),
        };

        return (string) ob_get_clean();
    }
}
