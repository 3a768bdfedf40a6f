<?php

declare(strict_types=1);

namespace Wellspring\Core\Text;

/** Splits texts into words for the search, with their weights. */
final class Words
{
    /** The weight of a word by its place: in the title, in a short text or a term's name, in a long text. */
    public const WEIGHTS = ['A' => 4, 'B' => 2, 'D' => 1];

    /** @return list<string> folded; letters and digits stand apart */
    public static function of(string $text): array
    {
        preg_match_all('/[\p{L}\p{M}]+|\p{N}+/u', Fold::of($text), $found);

        return $found[0];
    }

    /** @return list<string> the words looked for, each once; one that ends in `*` is a beginning */
    public static function ofQuery(string $text): array
    {
        preg_match_all('/(?:[\p{L}\p{M}]+|\p{N}+)\*?/u', Fold::of($text), $found);

        return array_values(array_unique($found[0]));
    }
}
