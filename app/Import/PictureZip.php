<?php

declare(strict_types=1);

namespace App\Import;

use App\Media\MediaStore;
use App\Media\UploadedPicture;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/** The pictures of an import, read directly from the zip file: nothing is unpacked to the disk. */
final class PictureZip
{
    private const MAX_FILES = 20_000;

    private \ZipArchive $zip;

    /** @var array<string, int> place in the zip, by path and by bare name where that is the only one */
    private array $places = [];

    /** @var array<int, string> names on the site of those that were taken in, by place */
    private array $taken = [];

    /** @throws Refused when it is no zip, or an entry’s path leads outside of it */
    public function __construct(string $path)
    {
        $this->zip = new \ZipArchive;
        if ($this->zip->open($path, \ZipArchive::RDONLY) !== true) {
            throw Refused::because(
                'pictures',
                ProblemCode::NotAZip,
                'expected a zip file with pictures; this one cannot be read.',
            );
        }
        if ($this->zip->numFiles > self::MAX_FILES) {
            throw Refused::because(
                'pictures',
                ProblemCode::TooMany,
                'expected at most '.number_format(self::MAX_FILES).' files in the zip, found '
                    .number_format($this->zip->numFiles).'.',
            );
        }
        $bare = [];
        for ($i = 0; $i < $this->zip->numFiles; $i++) {
            $name = (string) $this->zip->getNameIndex($i);
            if (preg_match('~(^|[/\\\\])\.\.([/\\\\]|$)|^[/\\\\]|^[A-Za-z]:|\x00~', $name) === 1) {
                throw Refused::because(
                    'pictures',
                    ProblemCode::Outside,
                    'the zip holds the path “'.mb_strimwidth(mb_scrub($name), 0, 80, '…')
                        .'”, which leads outside of it; expected plain paths.',
                );
            }
            if (! str_ends_with($name, '/')) {
                $this->places[$name] = $i;
                $bare[basename($name)][] = $i;
            }
        }
        foreach ($bare as $name => $places) {
            if (count($places) === 1) {
                $this->places[$name] ??= $places[0];
            }
        }
    }

    public function has(string $name): bool
    {
        return isset($this->places[$name]);
    }

    /**
     * The fault of the picture, if any. Nothing is stored.
     *
     * @throws Refused
     */
    public function check(string $name): void
    {
        $bytes = $this->bytes($name);
        if (@getimagesizefromstring($bytes) === false) {
            throw Refused::because('', ProblemCode::NotAPicture, "“{$name}” in the zip is not a picture.");
        }
    }

    /**
     * Stores the picture once.
     *
     * @return string its name on the site
     */
    public function take(string $name, MediaStore $media): string
    {
        $place = $this->places[$name];

        return $this->taken[$place] ??= $media->add($this->bytes($name), basename($name))->name;
    }

    private function bytes(string $name): string
    {
        $entry = $this->zip->statIndex($this->places[$name]);
        if (! is_array($entry) || $entry['size'] > UploadedPicture::MAX_BYTES) {
            throw Refused::because('', ProblemCode::TooLarge, "“{$name}” in the zip is larger than 15 MB.");
        }

        return (string) $this->zip->getFromIndex($this->places[$name], UploadedPicture::MAX_BYTES);
    }
}
