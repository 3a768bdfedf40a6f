<?php

declare(strict_types=1);

namespace App\Look;

use Illuminate\Contracts\Cache\Repository;
use Wellspring\Core\Look\DepartureSheet;
use Wellspring\Core\Look\Look;
use Wellspring\Core\Look\LookVariables;
use Wellspring\Core\Look\Palette;

/**
 * The style sheet of a look: its fonts, its custom properties, the site's styles and its own. The address contains a
 * hash of the content, so browsers may cache it forever.
 */
final readonly class LookSheets
{
    private const KEEP_SECONDS = 604_800;

    private const MANIFEST = 'build/manifest.json';

    /** The font file with the letters of most European languages. */
    private const LATIN = 'node_modules/@fontsource-variable/%1$s/files/%1$s-latin-wght-normal.woff2';

    /** The CSS classes of each ground. */
    private const ON_GROUND = [
        'bed' => '.band-quiet,.ground-bed,.module-tone-quiet',
        'ink' => '.ground-ink',
        'leaf' => '.band-strong,.ground-leaf,.module-tone-strong,.site-foot',
        'copper' => '.ground-copper',
        'picture' => '.on-picture',
    ];

    public function __construct(private Repository $cache, private LookStore $looks, private OwnStyles $own)
    {
    }

    /** The address of the look's sheet: `/look/HASH.css`. */
    public function address(Look $look): string
    {
        $name = 'look-address:'.hash('xxh128', serialize([$look->toArray(), $this->built()]));
        $hash = $this->cache->get($name);
        if (! is_string($hash)) {
            $css = $this->css($look);
            $hash = self::name($css);
            $this->cache->put("look-sheet:{$hash}", $css, self::KEEP_SECONDS);
            $this->cache->put($name, $hash, self::KEEP_SECONDS);
        }

        return "/look/{$hash}.css";
    }

    /** The address of the style sheet for modules with a style of their own. All looks share it. */
    public function ownStyles(): string
    {
        return '/look/'.self::name(DepartureSheet::css()).'.css';
    }

    /** @return list<string> the files of its fonts that every page needs, to be asked for before the sheet is read */
    public function fonts(Look $look): array
    {
        $name = 'look-fonts:'.hash('xxh128', serialize([$look->fonts(), $this->built()]));

        return $this->cache->remember($name, self::KEEP_SECONDS, fn (): array => array_map(
            fn (string $file): string => "/build/{$file}",
            array_values(array_filter(array_map(
                fn (string $font): ?string => self::fileOf(sprintf(self::LATIN, $font)),
                $look->fonts(),
            ))),
        ));
    }

    /** Finds a style sheet by its hash, null if no stored look has it. A sheet that left the cache is made again. */
    public function find(string $hash): ?string
    {
        $css = $this->cache->get("look-sheet:{$hash}");
        if (is_string($css)) {
            return $css;
        }
        $ownStyles = DepartureSheet::css();
        if ($hash === self::name($ownStyles)) {
            return $ownStyles;
        }
        foreach ($this->looks->candidates() as $look) {
            $css = $this->css($look);
            if (self::name($css) === $hash) {
                $this->cache->put("look-sheet:{$hash}", $css, self::KEEP_SECONDS);

                return $css;
            }
        }

        return null;
    }

    public function css(Look $look): string
    {
        $fonts = array_map(fn (string $font): string => $this->file("resources/fonts/{$font}.css"), $look->fonts());

        // A font that loads late is used from the next page on, so that the page does not move.
        $fonts = str_replace('font-display:swap', 'font-display:optional', $fonts);

        return implode("\n", array_filter([
            ...$fonts,
            ':root{'.self::written(LookVariables::of($look)).'}',
            self::schemes($look),
            $this->file('resources/css/site.css'),
            $this->own->safe($look->css),
        ]));
    }

    private static function schemes(Look $look): string
    {
        $dark = $look->dark;
        $scheme = $dark === null ? 'light' : $look->text('light', 'scheme');

        return match (true) {
            $scheme === 'dark' && $dark !== null => ':root{color-scheme:dark}'.self::palette($look, $dark),
            $scheme === 'visitor' && $dark !== null => ':root{color-scheme:light dark}'
                .self::palette($look, $look->colours)
                .'@media (prefers-color-scheme:dark){'.self::palette($look, $dark).'}',
            default => ':root{color-scheme:light}'.self::palette($look, $look->colours),
        };
    }

    /**
     * The colours of the page and of each ground. Those of a ground have no specificity, so a module's own style
     * overrides them. Paper is the default.
     */
    private static function palette(Look $look, Palette $palette): string
    {
        $css = ':root{'.self::written(LookVariables::page($look, $palette)).'}';
        $grounds = '';
        foreach (self::ON_GROUND as $ground => $classes) {
            $grounds .= ":where({$classes}){".self::written(LookVariables::ground($look, $palette, $ground)).'}';
        }

        return "{$css}@media screen{{$grounds}}";
    }

    /** @param  array<string, string>  $variables */
    private static function written(array $variables): string
    {
        $said = '';
        foreach ($variables as $name => $value) {
            $said .= "--{$name}:{$value};";
        }

        return $said;
    }

    /** The built version of a style sheet. */
    private function file(string $source): string
    {
        $file = self::fileOf($source);
        $css = $file === null ? false : file_get_contents(public_path("build/{$file}"));

        return $css === false
            ? throw new \RuntimeException("The build has no {$source}; run bin/start or npm run build.")
            : trim($css);
    }

    /** The path of a built file below public/build; null if the build lacks the source. */
    private static function fileOf(string $source): ?string
    {
        $manifest = json_decode((string) file_get_contents(public_path(self::MANIFEST)), true);
        $file = is_array($manifest) ? $manifest[$source]['file'] ?? null : null;

        return is_string($file) ? $file : null;
    }

    /** A sheet is named by its content. */
    private static function name(string $css): string
    {
        return substr(hash('sha256', $css), 0, 20);
    }

    /** The time of the last build. */
    private function built(): int
    {
        return (int) filemtime(public_path(self::MANIFEST));
    }
}
