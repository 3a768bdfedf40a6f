<?php

declare(strict_types=1);

namespace App\Site\Output;

use App\Models\Media;
use App\Video\VideoStore;
use Wellspring\Core\Video\VideoOptions;

/**
 * Decides how a video plays on a page.
 *
 * @phpstan-type PlayerShape array{
 *     kind: 'file'|'frame'|'link', address: string, title: string, shape: string, loop: bool, isOwn: bool,
 *     frame: string, site: string, picture: Media|null,
 * }
 */
final readonly class VideoPlayers
{
    private const FILE = '~^https://[^?#]+\.(mp4|m4v|webm|ogv)(\?[^#]*)?$~Di';

    public function __construct(private VideoStore $videos)
    {
    }

    /** The address of the frame that plays a video of another site; null if it does not play here. */
    public function frame(string $video): ?string
    {
        return str_contains($video, '://') ? $this->videos->find($video)?->frame : null;
    }

    /**
     * @param  string  $video  an uploaded file's name, or an address
     * @param  string  $label  its name if it has no title
     * @param  string  $shape  of its frame, see VideoOptions
     * @param  bool  $loop  true if an uploaded video repeats
     * @return PlayerShape a link if the video cannot play here: the settings do not name its site, or its description
     *   is not loaded yet
     */
    public function of(string $video, string $label, string $shape = VideoOptions::OWN, bool $loop = false): array
    {
        $isOwn = ! str_contains($video, '://');
        $known = $isOwn ? null : $this->videos->find($video);

        return [
            'kind' => match (true) {
                $known !== null => 'frame',
                $isOwn, preg_match(self::FILE, $video) === 1 => 'file',
                default => 'link',
            },
            'address' => $isOwn ? "/media/{$video}" : $video,
            'title' => $known === null || $known->title === '' ? $label : $known->title,
            'shape' => match (true) {
                $shape !== VideoOptions::OWN => $shape,
                $known !== null => VideoOptions::nearest($known->width, $known->height),
                default => VideoOptions::OWN,
            },
            'loop' => $loop,
            'isOwn' => $isOwn,
            'frame' => $known->frame ?? '',
            'site' => $this->videos->site($video)->name ?? '',
            'picture' => $known?->picture === null ? null : Media::query()->where('name', $known->picture)->first(),
        ];
    }
}
