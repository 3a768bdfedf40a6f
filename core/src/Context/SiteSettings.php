<?php

declare(strict_types=1);

namespace Wellspring\Core\Context;

use Wellspring\Core\Map\TileSource;
use Wellspring\Core\Time\Calendar;
use Wellspring\Core\Video\VideoSite;
use Wellspring\Core\Who\Viewer;
use Wellspring\Core\Wording\Format;

/** The settings of the whole site. */
final readonly class SiteSettings
{
    /**
     * @param  string  $locale  as ICU knows it: `en-GB`
     * @param  string  $timeZone  of the IANA database: `Europe/London`
     * @param  int<1, 7>|null  $firstWeekday  ISO 8601: 1 is Monday; null: the locale's
     * @param  string  $currency  ISO 4217: `GBP`
     * @param  bool  $mayVisitorsSignUp  true if visitors can create an account as members
     * @param  string|null  $home  key of the page at `/`; null: the page with that address
     * @param  string|null  $homeForMembers  key of the page at `/` for signed-in people
     * @param  string|null  $notFound  key of the page that shows where there is none
     * @param  string|null  $noAccess  key of the page that shows where members are asked to sign in
     * @param  list<VideoSite>  $videoSites  the sites whose videos may play here
     * @param  TileSource|null  $mapTiles  null: the tiles that the application draws
     */
    public function __construct(
        public string $name,
        public string $locale,
        public string $timeZone,
        public ?int $firstWeekday,
        public string $currency,
        public bool $mayVisitorsSignUp = false,
        public ?string $home = null,
        public ?string $homeForMembers = null,
        public ?string $notFound = null,
        public ?string $noAccess = null,
        public array $videoSites = [],
        public ?TileSource $mapTiles = null,
    ) {
    }

    public function calendar(): Calendar
    {
        $calendar = Calendar::of($this->timeZone, $this->locale);

        return $this->firstWeekday === null
            ? $calendar
            : new Calendar($calendar->zone, $this->firstWeekday, $this->locale);
    }

    /** Which way its language is written. */
    public function direction(): string
    {
        $layout = \ResourceBundle::create($this->locale, 'ICUDATA')?->get('layout');

        return $layout?->get('characters') === 'right-to-left' ? 'rtl' : 'ltr';
    }

    public function format(): Format
    {
        return new Format($this->locale, $this->currency, $this->timeZone);
    }

    /** @return list<string> keys of the pages that answer at `/`, the first that the viewer may see */
    public function homesFor(Viewer $viewer): array
    {
        return array_values(array_unique(array_filter(
            [$viewer->isSignedIn === true ? $this->homeForMembers : null, $this->home],
            fn (?string $key): bool => $key !== null,
        )));
    }

    /**
     * A page has one address for a viewer: the home page has that of the site.
     *
     * @param  string  $key  of a page about nothing but itself
     * @param  string  $address  its own
     */
    public function addressFor(Viewer $viewer, string $key, string $address): string
    {
        return $key === ($this->homesFor($viewer)[0] ?? null) ? '/' : $address;
    }

    /** @return list<string> the keys of pages that show where another was asked for */
    public function standIns(): array
    {
        return array_values(array_filter([$this->notFound, $this->noAccess], fn (?string $key): bool => $key !== null));
    }

    /** @return array<string, string> keys of pages by what they are for: home, homeForMembers, notFound, noAccess */
    public function pages(): array
    {
        return array_filter([
            'home' => $this->home,
            'homeForMembers' => $this->homeForMembers,
            'notFound' => $this->notFound,
            'noAccess' => $this->noAccess,
        ], fn (?string $key): bool => $key !== null);
    }

    /** @return array<string, mixed> as it is stored */
    public function toArray(): array
    {
        return [
            'format' => SiteSettingsReader::FORMAT,
            'name' => $this->name,
            'locale' => $this->locale,
            'timeZone' => $this->timeZone,
            ...$this->firstWeekday === null ? [] : ['firstWeekday' => $this->firstWeekday],
            'currency' => $this->currency,
            'signUp' => $this->mayVisitorsSignUp,
            ...$this->pages(),
            ...$this->mapTiles === null ? [] : ['map' => $this->mapTiles->toArray()],
            ...$this->videoSites === [] ? [] : ['videoSites' => array_map(
                fn (VideoSite $site): array => $site->toArray(),
                $this->videoSites,
            )],
        ];
    }
}
