<?php

declare(strict_types=1);

namespace App\Content\Html;

use Symfony\Component\HtmlSanitizer\HtmlSanitizerConfig;

/**
 * The allowed elements and attributes of texts with markup. Everything else is removed: elements of `UNWRAPPED` keep
 * their content, all others are removed with it. Anything that affects the page around the text is forbidden:
 * identifiers, names, scripts, styles, forms, dialogs, landmarks, and elements that swallow what follows them.
 */
final class AllowedHtml
{
    /** Attributes of every allowed element. */
    private const EVERYWHERE = ['lang', 'dir', 'title'];

    /** Allowed elements, each with its own attributes. */
    private const ELEMENTS = [
        'p' => [], 'br' => [], 'hr' => ['data-introduction'], 'wbr' => [], 'pre' => [], 'blockquote' => [],
        'address' => [],
        'h1' => [], 'h2' => [], 'h3' => [], 'h4' => [], 'h5' => [], 'h6' => [],
        'div' => [], 'section' => [], 'article' => [], 'figure' => [], 'figcaption' => [],
        'details' => ['open'], 'summary' => [],
        'ul' => [], 'ol' => ['start', 'reversed', 'type'], 'li' => ['value'], 'dl' => [], 'dt' => [], 'dd' => [],
        'table' => [], 'caption' => [], 'colgroup' => ['span'], 'col' => ['span'], 'thead' => [], 'tbody' => [],
        'tfoot' => [], 'tr' => [], 'th' => ['colspan', 'rowspan', 'scope', 'abbr'], 'td' => ['colspan', 'rowspan'],
        'a' => ['href', 'hreflang', 'target'], 'abbr' => [], 'b' => [], 'bdi' => [], 'bdo' => [], 'cite' => [],
        'code' => [], 'data' => ['value'], 'del' => ['datetime'], 'dfn' => [], 'em' => [], 'i' => [],
        'ins' => ['datetime'], 'kbd' => [], 'mark' => [], 'q' => [], 'ruby' => [], 'rp' => [], 'rt' => [], 's' => [],
        'samp' => [], 'small' => [], 'span' => [], 'strong' => [], 'sub' => [], 'sup' => [], 'time' => ['datetime'],
        'u' => [], 'var' => [],
        'img' => ['src', 'srcset', 'sizes', 'alt', 'width', 'height', 'loading', 'decoding'],
        'picture' => [], 'source' => ['src', 'srcset', 'sizes', 'media', 'type', 'width', 'height'],
        'audio' => ['src', 'controls', 'loop', 'muted', 'preload'],
        'video' => ['src', 'poster', 'controls', 'loop', 'muted', 'preload', 'playsinline', 'width', 'height'],
        'track' => ['src', 'kind', 'srclang', 'label', 'default'],
    ];

    /** Elements that are removed but keep their content: old formatting, landmarks, and parts of forms. */
    private const UNWRAPPED = [
        'html', 'body', 'main', 'header', 'footer', 'nav', 'aside', 'hgroup', 'search', 'menu', 'dir', 'center', 'font',
        'big', 'tt', 'strike', 'acronym', 'nobr', 'marquee', 'form', 'fieldset', 'legend', 'label', 'output', 'rb',
        'rtc', 'blink', 'listing', 'map',
    ];

    /** A link to a new window gets rel="noopener", so the new page cannot reach this one. */
    private const LINK_RELATION = 'noopener';

    /** The only allowed target of a link: other names are frames and windows of the page. */
    public const LINK_TARGET = '_blank';

    public static function config(int $maxBytes): HtmlSanitizerConfig
    {
        $config = (new HtmlSanitizerConfig)
            ->allowRelativeLinks()
            ->allowRelativeMedias()
            ->withAttributeSanitizer(new LinkTarget)
            ->withMaxInputLength($maxBytes);
        foreach (self::ELEMENTS as $element => $attributes) {
            $config = $config->allowElement($element, [...self::EVERYWHERE, ...$attributes]);
        }
        foreach (self::UNWRAPPED as $element) {
            $config = $config->blockElement($element);
        }

        return $config->forceAttribute('a', 'rel', self::LINK_RELATION);
    }

    /** @return array<string, list<string>> attributes by element, for the documentation and its test */
    public static function all(): array
    {
        return array_map(fn (array $own): array => [...self::EVERYWHERE, ...$own], self::ELEMENTS);
    }

    public static function isUnwrapped(string $element): bool
    {
        return in_array($element, self::UNWRAPPED, true);
    }
}
