<?php

declare(strict_types=1);

namespace Wellspring\Core\Text;

/** The beginning of a text, cut at a word, with “…” only where something was cut. */
final class Excerpt
{
    /** @param  positive-int  $words how many words to keep at most */
    public static function words(string $text, int $words): string
    {
        $all = preg_split('/ /', Html::squeeze($text), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        if (count($all) <= $words) {
            return implode(' ', $all);
        }
        $kept = rtrim(implode(' ', array_slice($all, 0, $words)), '.,;:–—-');

        return rtrim($kept).'…';
    }
}
