<?php

declare(strict_types=1);

namespace Wellspring\Core\Text;

/**
 * The beginning of a text, cut at a word, with “…” only if something was cut.
 *
 * Word boundaries come from ICU (Unicode Standard Annex #29, with ICU's dictionaries for scripts without spaces between
 * words).
 */
final class Excerpt
{
    /** Maximum length of a word in characters, so that text without word boundaries is cut as well. */
    private const LONGEST_WORD = 60;

    /** @param  positive-int  $words maximum number of words */
    public static function words(string $text, int $words): string
    {
        $text = Whitespace::squeeze($text);
        $end = self::endOfWord($text, $words);
        $most = self::endOfCharacter($text, $words * self::LONGEST_WORD);
        $end = $most !== null && ($end === null || $most < $end) ? $most : $end;

        return $end === null ? $text : rtrim(substr($text, 0, $end)).'…';
    }

    /** @param  positive-int  $characters  maximum number of characters as people count them */
    public static function characters(string $text, int $characters): string
    {
        $text = Whitespace::squeeze($text);
        $most = self::endOfCharacter($text, $characters);
        if ($most === null) {
            return $text;
        }
        $end = self::lastWordWithin($text, $most);

        return rtrim(substr($text, 0, $end > 0 ? $end : $most)).'…';
    }

    /**
     * The text before a mark in HTML, without markup. The mark may be a comment or words, but not inside a tag.
     *
     * @return string empty where the mark is not there, or nothing to read before it
     */
    public static function upTo(string $html, string $mark): string
    {
        for ($at = strpos($html, $mark); $at !== false; $at = strpos($html, $mark, $at + 1)) {
            $before = substr($html, 0, $at);
            $isInTag = preg_match('/<[a-z\/!][^>]*$/iD', $before) === 1;
            if (! $isInTag) {
                return self::before($before, substr($html, $at + strlen($mark)));
            }
        }

        return '';
    }

    /**
     * The text before the line that ends the introduction (`<hr data-introduction>`), without markup.
     *
     * @return string empty where there is no such line, or nothing to read before it
     */
    public static function introduction(string $html): string
    {
        return preg_match('/<hr\b[^>]*\sdata-introduction\b[^>]*>/i', $html, $line, PREG_OFFSET_CAPTURE) === 1
            ? self::before(substr($html, 0, $line[0][1]), substr($html, $line[0][1] + strlen($line[0][0])))
            : '';
    }

    private static function before(string $html, string $rest): string
    {
        $text = Html::visibleText($html);

        return $text === '' || Html::visibleText($rest) === '' ? $text : $text.'…';
    }

    /** @return int where the last word ends that lies within so many bytes; 0 where none does */
    private static function lastWordWithin(string $text, int $most): int
    {
        $end = 0;
        foreach (self::ends($text) as $boundary) {
            if ($boundary > $most) {
                break;
            }
            $end = $boundary;
        }

        return $end;
    }

    /** @return int|null where the last word that is kept ends, in bytes; null where no word comes after it */
    private static function endOfWord(string $text, int $words): ?int
    {
        $end = null;
        foreach (self::ends($text) as $boundary) {
            if ($words === 0) {
                return $end;
            }
            $words--;
            $end = $boundary;
        }

        return null;
    }

    /** @return iterable<int> where each word ends, in bytes */
    private static function ends(string $text): iterable
    {
        $boundaries = \IntlBreakIterator::createWordInstance()
            ?? throw new \LogicException('ICU lacks the rules for word boundaries.');
        $boundaries->setText($text);
        foreach ($boundaries as $boundary) {
            if (
                is_int($boundary)
                && $boundaries instanceof \IntlRuleBasedBreakIterator
                && $boundaries->getRuleStatus() >= \IntlBreakIterator::WORD_NONE_LIMIT
            ) {
                yield $boundary;
            }
        }
    }

    /** @return int|null the byte after that many characters as people count them; null where there are no more */
    private static function endOfCharacter(string $text, int $characters): ?int
    {
        // Every character takes at least one byte.
        if (strlen($text) <= $characters) {
            return null;
        }
        $kept = grapheme_substr($text, 0, $characters);

        return is_string($kept) && strlen($kept) < strlen($text) ? strlen($kept) : null;
    }
}
