<?php

declare(strict_types=1);

namespace Wellspring\Core\Text;

/** The text of HTML that a visitor would read. */
final class Html
{
    private const BLOCKS = 'p|div|li|ul|ol|h[1-6]|br|hr|tr|td|th|table|blockquote|pre|section|article|figure'
        .'|figcaption|dd|dt';

    /** Elements whose content browsers never show; `!--` begins a comment. */
    private const HIDDEN = '~<(!--|script\b|style\b|template\b)~i';

    /** The text without markup, with single spaces. */
    public static function visibleText(string $html): string
    {
        $html = preg_replace('~</?(?:'.self::BLOCKS.')\b[^<>]*>~i', ' ', self::rendered($html)) ?? $html;
        $text = html_entity_decode(strip_tags($html), ENT_QUOTES | ENT_HTML5, 'UTF-8');

        return Whitespace::squeeze($text);
    }

    public static function hasMedia(string $html): bool
    {
        return preg_match('~<(img|picture|video|audio|svg|iframe|object|embed)\b~i', self::rendered($html)) === 1;
    }

    /**
     * The markup without comments and hidden elements. An element without an end hides everything after it. The
     * function reads each byte once, however many elements are open.
     */
    private static function rendered(string $html): string
    {
        $rendered = '';
        $at = 0;
        while (preg_match(self::HIDDEN, $html, $found, PREG_OFFSET_CAPTURE, $at) === 1) {
            [[, $begin], [$name]] = $found;
            $rendered .= substr($html, $at, $begin - $at).' ';
            $end = $name === '!--'
                ? preg_match('~-->~', $html, $close, PREG_OFFSET_CAPTURE, $begin)
                : preg_match("~</{$name}\\s*>~i", $html, $close, PREG_OFFSET_CAPTURE, $begin);
            if ($end !== 1) {
                return $rendered;
            }
            $at = $close[0][1] + strlen($close[0][0]);
        }

        return $rendered.substr($html, $at);
    }
}
