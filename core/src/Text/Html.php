<?php

declare(strict_types=1);

namespace Wellspring\Core\Text;

/** What a visitor would read of a piece of HTML. */
final class Html
{
    private const BLOCKS = 'p|div|li|ul|ol|h[1-6]|br|hr|tr|td|th|table|blockquote|pre|section|article|figure'
        .'|figcaption|dd|dt';

    /** The text without markup, its white space folded to single blanks. */
    public static function visibleText(string $html): string
    {
        $html = preg_replace('~</?(?:'.self::BLOCKS.')\b[^>]*>~i', ' ', self::rendered($html)) ?? $html;
        $text = html_entity_decode(strip_tags($html), ENT_QUOTES | ENT_HTML5, 'UTF-8');

        return Whitespace::squeeze($text);
    }

    public static function hasMedia(string $html): bool
    {
        return preg_match('~<(img|picture|video|audio|svg|iframe|object|embed)\b~i', self::rendered($html)) === 1;
    }

    /** The markup without comments and what browsers never show. */
    private static function rendered(string $html): string
    {
        return preg_replace('~<!--.*?(?:-->|$)|<(script|style|template)\b.*?</\1\s*>~is', ' ', $html) ?? $html;
    }
}
