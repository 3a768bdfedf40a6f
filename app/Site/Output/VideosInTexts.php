<?php

declare(strict_types=1);

namespace App\Site\Output;

use App\Video\VideoStore;
use Illuminate\Contracts\View\Factory;
use Wellspring\Core\Context\SiteSettings;

/**
 * Replaces a paragraph that holds only a link to a video with a player, if the settings name the video's site. So an
 * author adds a video by its address.
 */
final readonly class VideosInTexts
{
    private const PARAGRAPH = '~<p>\s*<a\s[^>]*href="(https://[^"]+)"[^>]*>([^<]*)</a>\s*</p>~';

    public function __construct(
        private SiteSettings $settings,
        private VideoStore $videos,
        private VideoPlayers $players,
        private Factory $views,
    ) {
    }

    /** @param  string  $html  safe HTML */
    public function of(string $html): string
    {
        return $this->settings->videoSites === [] ? $html : (string) preg_replace_callback(
            self::PARAGRAPH,
            function (array $found): string {
                $address = html_entity_decode($found[1], ENT_QUOTES | ENT_HTML5);

                return $this->videos->site($address) === null ? $found[0] : $this->views->make('site.video', [
                    'video' => $this->players->of($address, html_entity_decode($found[2], ENT_QUOTES | ENT_HTML5)),
                ])->render();
            },
            $html,
        );
    }
}
