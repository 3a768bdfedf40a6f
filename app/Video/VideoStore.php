<?php

declare(strict_types=1);

namespace App\Video;

use App\Models\Video;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Video\VideoSite;

/** Knows the videos of the sites that the settings name. Each is asked for once, away from the request. */
final readonly class VideoStore
{
    public function __construct(private SiteSettings $settings)
    {
    }

    /** The site that an address belongs to; null of one that the settings do not name. */
    public function site(string $address): ?VideoSite
    {
        foreach ($this->settings->videoSites as $site) {
            if ($site->has($address)) {
                return $site;
            }
        }

        return null;
    }

    /** A video as its site described it. If it is not known yet, the result is null and a job asks the site. */
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
