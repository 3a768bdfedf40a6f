<?php

declare(strict_types=1);

namespace App\Video;

use App\Models\Video;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Video\VideoSite;

/** The stored videos of the sites in the settings. Each description is fetched once, in the queue. */
final readonly class VideoStore
{
    public function __construct(private SiteSettings $settings)
    {
    }

    /** The site of an address; null if the settings do not name it. */
    public function site(string $address): ?VideoSite
    {
        foreach ($this->settings->videoSites as $site) {
            if ($site->has($address)) {
                return $site;
            }
        }

        return null;
    }

    /** A video as its site described it. If it is unknown, the result is null and a job fetches it. */
    public function find(string $address): ?Video
    {
        if ($this->site($address) === null) {
            return null;
        }
        $video = Video::query()->where('address', $address)->first();
        if ($video === null) {
            Video::query()->insertOrIgnore(['address' => $address]);
            event(new VideoWanted($address));
        }

        return $video?->frame === null ? null : $video;
    }
}
