<?php

declare(strict_types=1);

namespace Wellspring\Core\Context;

use Wellspring\Core\Map\TileSource;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Video\VideoSite;

/** Reads and validates the site's settings, format 1. */
final class SiteSettingsReader
{
    public const FORMAT = 1;

    /** Maximum length of the site's name. */
    public const MAX_NAME = 100;

    /** Settings whose value is the key of a page. */
    public const PAGES = ['home', 'homeForMembers', 'notFound', 'noAccess'];

    /**
     * @param  mixed  $data  decoded JSON
     *
     * @throws Refused with every fault, each at its path
     */
    public static function read(mixed $data): SiteSettings
    {
        $problems = new Problems;
        $shape = new Shape($data, '', $problems, ['format']);
        if ($shape->raw('format') !== self::FORMAT) {
            $shape->wrong('format', 'the format number '.self::FORMAT, $shape->raw('format'));
        }
        $name = $shape->text('name');
        if (mb_strlen($name) > self::MAX_NAME) {
            $problems->add('name', ProblemCode::TooMany, 'expected at most '.self::MAX_NAME.' characters.');
        }
        $locale = self::oneOf($shape, 'locale', self::locales(), 'a locale that ICU knows, such as en-GB');
        $zone = self::oneOf($shape, 'timeZone', self::timeZones(), 'an IANA time zone, such as Europe/London');
        $currency = self::oneOf($shape, 'currency', self::currencies(), 'a currency of ISO 4217, such as GBP');
        $weekday = $shape->has('firstWeekday') ? $shape->wholeOrNull('firstWeekday', 1, 7) : null;
        $signUp = $shape->flag('signUp');
        $pages = [];
        foreach (self::PAGES as $place) {
            $pages[$place] = $shape->has($place) ? $shape->text($place) : null;
        }
        $videoSites = self::videoSites($shape, $problems);
        $mapTiles = $shape->has('map') ? self::mapTiles($shape->inner('map')) : null;
        $shape->noOthers();
        $problems->refuseIfAny();

        return new SiteSettings(
            $name,
            $locale,
            $zone,
            $weekday === null ? null : max(1, min(7, $weekday)),
            $currency,
            $signUp,
            $pages['home'],
            $pages['homeForMembers'],
            $pages['notFound'],
            $pages['noAccess'],
            $videoSites,
            $mapTiles,
        );
    }

    /** @return list<string> those that ICU has, as BCP 47 writes them */
    public static function locales(): array
    {
        $locales = array_filter(
            \ResourceBundle::getLocales('') ?: [],
            fn (string $locale): bool => ! str_contains($locale, 'POSIX'),
        );

        return array_values(array_map(fn (string $locale): string => str_replace('_', '-', $locale), $locales));
    }

    /** @return list<string> */
    public static function timeZones(): array
    {
        return \DateTimeZone::listIdentifiers();
    }

    /** @return list<string> those that ICU has: of today and of before */
    public static function currencies(): array
    {
        $names = \ResourceBundle::create('en', 'ICUDATA-curr')?->get('Currencies');
        $codes = [];
        foreach ($names instanceof \ResourceBundle ? $names : [] as $code => $name) {
            $codes[] = (string) $code;
        }

        return $codes;
    }

    /** @param  list<string>  $known */
    private static function oneOf(Shape $shape, string $key, array $known, string $expected): string
    {
        $value = $shape->text($key);
        if ($value !== '' && ! in_array($value, $known, true)) {
            $shape->wrong($key, $expected, $value);
        }

        return $value;
    }

    private static function mapTiles(Shape $map): TileSource
    {
        $tiles = $map->text('tiles');
        if ($tiles !== '' && preg_match(TileSource::PATTERN, $tiles) !== 1) {
            $map->wrong('tiles', 'an address such as https://tiles.example/{z}/{x}/{y}.png', $tiles);
        }
        $attribution = $map->text('attribution');
        $map->noOthers();

        return new TileSource($tiles, $attribution);
    }

    /** @return list<VideoSite> */
    private static function videoSites(Shape $shape, Problems $problems): array
    {
        $sites = [];
        foreach ($shape->items('videoSites') as $i => $given) {
            $sites[] = VideoSite::read(new Shape($given, "videoSites[{$i}]", $problems));
        }
        if (count($sites) > VideoSite::MAX_SITES) {
            $problems->add('videoSites', ProblemCode::TooMany, 'expected at most '.VideoSite::MAX_SITES.' sites.');
        }

        return $sites;
    }
}
