<?php

declare(strict_types=1);

namespace App\Media;

use App\Models\Video;
use App\Video\FetchFailed;
use App\Video\OutsideFetch;
use App\Video\VideoStore;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Video\VideoEmbed;

/** Fetches descriptions of videos from the sites in the settings, and stores them. */
final readonly class VideoFetcher
{
    private const MOST_TRIES = 3;

    private const ANSWER_BYTES = 200_000;

    private const PICTURE_BYTES = 8_000_000;

    public function __construct(private VideoStore $videos, private OutsideFetch $fetch, private MediaStore $media)
    {
    }

    /**
     * Fetches the video's description and thumbnail.
     *
     * @return bool whether it is known now
     */
    public function fetch(string $address): bool
    {
        $site = $this->videos->site($address);
        $video = Video::query()->where('address', $address)->first();
        if ($site === null || $video === null || $video->tries >= self::MOST_TRIES) {
            return false;
        }
        try {
            $answer = json_decode($this->fetch->get($site->described($address), self::ANSWER_BYTES), true);
            $embed = VideoEmbed::read($answer, $site)
                ?? throw new FetchFailed("{$site->name} names no frame on {$site->frames}.");
            $video->fill([
                'frame' => $embed->frame, 'width' => $embed->width, 'height' => $embed->height,
                'title' => $embed->title, 'picture' => $this->picture($embed), 'fault' => null,
            ]);
        } catch (FetchFailed $failed) {
            $video->fault = mb_substr($failed->getMessage(), 0, 300);
        }
        $video->tries++;
        $video->save();

        return $video->frame !== null;
    }

    /** The name of the stored thumbnail. A video without one has a plain background. */
    private function picture(VideoEmbed $embed): ?string
    {
        if ($embed->thumbnail === null) {
            return null;
        }
        try {
            $bytes = $this->fetch->get($embed->thumbnail, self::PICTURE_BYTES);

            return $this->media->add($bytes, 'video-'.substr(sha1($embed->frame), 0, 12), $embed->title)->name;
        } catch (FetchFailed|Refused) {
            return null;
        }
    }
}
