<?php

declare(strict_types=1);

namespace App\Media;

/**
 * A file of the library by its address, and how it is sent: the application checks the access, nginx sends the file.
 * This class does not need the framework.
 */
final readonly class StoredFile
{
    private const ADDRESS = '~^/media/(?<file>(?:w\d{1,5}/)?(?<base>[a-z\d]+(?:-[a-z\d]+)*)\.(?<ending>[a-z\d]+))$~D';

    /**
     * @param  string  $path  below the folder of the library: `w400/fern.jpg`
     * @param  string  $ending  `jpg`
     * @param  string  $media  the name of its row: `fern.webp`, which all variants of a picture share
     */
    private function __construct(private string $path, public string $ending, public string $media)
    {
    }

    /** @param  string  $address  path of a request; null if it is not a file's */
    public static function at(string $address): ?self
    {
        return preg_match(self::ADDRESS, $address, $found) !== 1 ? null : new self(
            $found['file'],
            $found['ending'],
            $found['base'].'.'.(in_array($found['ending'], ['jpg', 'png'], true) ? 'webp' : $found['ending']),
        );
    }

    /**
     * The names of the file in texts: a picture has a variant for browsers without WebP.
     *
     * @param  string  $media  name of a row in the media library
     * @return non-empty-list<string>
     */
    public static function variants(string $media): array
    {
        $base = pathinfo($media, PATHINFO_FILENAME);

        return str_ends_with($media, '.webp') ? [$media, "{$base}.jpg", "{$base}.png"] : [$media];
    }

    /** @return array<string, string> headers by name; of an answer to a session, a middleware makes it private */
    public function headers(): array
    {
        return ['X-Accel-Redirect' => "/stored-media/{$this->path}", 'Cache-Control' => 'public, max-age=3600'];
    }
}
