<?php

declare(strict_types=1);

namespace Wellspring\Core\Text;

/** The words of texts, and what finding one of them counts. */
final class Words
{
    /** What a word counts by where it stands: in the title, in a short text, in a long one. */
    public const WEIGHTS = ['A' => 4, 'B' => 2, 'D' => 1];

    /** @return list<string> folded; letters and digits stand apart */
    public static function of(string $text): array
    {
        preg_match_all('/[\p{L}\p{M}]+|\p{N}+/u', Fold::of($text), $found);

        return $found[0];
    }

    /** @return list<string> the words looked for, each once; one that ends in `*` is a beginning */
    public static function looked(string $text): array
    {
        preg_match_all('/(?:[\p{L}\p{M}]+|\p{N}+)\*?/u', Fold::of($text), $found);

        return array_values(array_unique($found[0]));
    }

    /**
     * @param  string  $looked  one of looked()
     * @param  array<string, string>  $texts  words separated by blanks, by a key of WEIGHTS
     * @return int the greatest weight of a text that has it; 0 where none has
     */
    public static function weight(string $looked, array $texts, Language $language): int
    {
        $begins = str_ends_with($looked, '*');
        $wanted = $language->stem(rtrim($looked, '*'));
        foreach (self::WEIGHTS as $key => $weight) {
            foreach (explode(' ', $texts[$key] ?? '') as $word) {
                if ($word === '') {
                    continue;
                }
                $has = $language->stem($word);
                if ($begins ? str_starts_with($has, $wanted) : $has === $wanted) {
                    return $weight;
                }
            }
        }

        return 0;
    }
}
