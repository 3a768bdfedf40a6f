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
 * Stores pictures and files. Their kind comes from their content, never from their name. Pictures are drawn again in
 * every width of the site, so that no metadata remains, such as the location or the camera.
 */
final class MediaStore
{
    public const MAX_BYTES = 60 * 1024 * 1024;

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
     * @param  float  $x  the focus point, which cropping keeps visible, from 0 at the left to 1 at the right
     * @param  float  $y  from 0 at the top to 1 at the bottom
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
     * @param  string  $name  the original file name, from which its new name is made
     * @param  string  $alt  alternative text of a picture
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
     * @param  string  $name  the original file name, from which its new name is made
     * @param  string  $alt  alternative text
     *
     * @throws Refused
     */
    public function add(string $bytes, string $name, string $alt = ''): Media
    {
        $picture = UploadedPicture::open($bytes);
        $clear = $picture->isClear();
        $files = [];
        foreach ($picture->widths() as $width) {
            $folder = $width === $picture->width() ? '' : "w{$width}/";
            foreach ($picture->written($width, $clear ? 'png' : 'jpg') as $ending => $written) {
                $files["{$folder} {$ending}"] = $written;
            }
        }
        $stored = array_sum(array_map(strlen(...), $files));
        $this->mustFit($stored);

        return $this->keep(new Media([
            'kind' => 'picture',
            'title' => $name,
            'mime' => $clear ? 'image/png' : 'image/jpeg',
            'width' => $picture->width(),
            'height' => $picture->height(),
            'bytes' => $stored,
            'alt' => $alt,
            'sizes' => $picture->widths(),
            'user_id' => Actor::id(),
        ]), $name, 'webp', array_map(fn (string $bytes): \Closure => fn (): string => $bytes, $files));
    }

    /** The number of pixels of a local picture; 0 if it is none. */
    public static function pixels(string $path): int
    {
        $size = @getimagesize($path);

        return $size === false ? 0 : $size[0] * $size[1];
    }

    /**
     * Stores the row and the files together; if the transaction fails, neither.
     *
     * @param  array<string, \Closure(): (string|resource)>  $files  contents by folder and extension: `w400/ jpg`; ''
     *   for the original
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
     * DB::afterRollBack covers only the innermost transaction; this covers all open ones.
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
}
