<?php

declare(strict_types=1);

namespace Wellspring\Core\Text;

/**
 * The folded form of a text, without case and accents, for comparisons.
 *
 * ICU's transform `NFKD; [:Nonspacing Mark:] Remove; Latin-ASCII; Lower; NFC` (Unicode, UTS #35, Transforms).
 */
final class Fold
{
    private static ?\Transliterator $transform = null;

    /** @throws \InvalidArgumentException when the text is not UTF-8 */
    public static function of(string $text): string
    {
        if (preg_match('/[\x80-\xFF]/', $text) !== 1) {
            // For ASCII text the transform changes only the case.
            return strtolower($text);
        }
        self::$transform ??= \Transliterator::create('NFKD; [:Nonspacing Mark:] Remove; Latin-ASCII; Lower; NFC')
            ?? throw new \LogicException('ICU lacks the transform that text is compared by.');
        $folded = self::$transform->transliterate($text);
        if ($folded === false) {
            throw new \InvalidArgumentException('Text to be compared must be UTF-8.');
        }

        return $folded;
    }
}
