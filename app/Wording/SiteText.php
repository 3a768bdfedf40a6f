<?php

declare(strict_types=1);

namespace App\Wording;

use Illuminate\Contracts\Support\Htmlable;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Wording\SiteWords;

/**
 * The built-in texts of visitors' pages, for views: `@say('listing.more')` between tags, `@plain('listing.more')` in an
 * attribute.
 */
final class SiteText
{
    /** Private-use characters replace values with markup while the text is escaped. */
    private const FIRST_MARK = 0xE000;

    /** The texts of resources/js/site. They have plain placeholders only. */
    private const SCRIPTS = [
        'choices.forget', 'choices.forgotten', 'choices.here', 'choices.hereUnknown', 'choices.more',
        'choices.remember', 'choices.remembered', 'listing.close', 'listing.next', 'listing.previous',
        'loading.again', 'loading.failed', 'loading.moreFailed', 'loading.noMore', 'loading.print',
        'loading.printFailed', 'loading.stops', 'page.map', 'page.showMap', 'search.suggestions',
    ];

    /**
     * A text as HTML. A text that is not translated carries `lang="en"`.
     *
     * @param  array<string, int|float|string|Htmlable>  $values  Htmlable values stay as they are
     */
    public static function html(string $key, array $values = []): string
    {
        $marked = [];
        $plain = [];
        foreach ($values as $name => $value) {
            if ($value instanceof Htmlable) {
                $mark = mb_chr(self::FIRST_MARK + count($marked));
                $marked[$mark] = $value->toHtml();
                $value = $mark;
            }
            $plain[$name] = $value;
        }
        $words = self::words();
        $html = strtr(e($words->text($key, $plain)), $marked);

        return $words->isTranslated($key) ? $html : "<span lang=\"en\" dir=\"ltr\">{$html}</span>";
    }

    /** @param  array<string, int|float|string>  $values */
    public static function plain(string $key, array $values = []): string
    {
        return self::words()->text($key, $values);
    }

    /** The patterns that scripts need, as JSON. Scripts fill in the values. */
    public static function forScripts(): string
    {
        $language = self::words()->spoken();
        $patterns = [];
        foreach (self::SCRIPTS as $key) {
            $patterns[$key] = SiteWords::pattern($language, $key) ?? SiteWords::pattern('en', $key) ?? '';
        }

        return json_encode($patterns, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
    }

    /** Error pages may appear while the database is down; they then use the configured language. */
    public static function words(): SiteWords
    {
        return app()->resolved(SiteSettings::class)
            ? app(SiteWords::class)
            : SiteWords::of(config()->string('site.locale'));
    }
}
