<?php

declare(strict_types=1);

namespace Wellspring\Core\Text;

/** Slugs, the names in addresses: small letters, digits and single hyphens. */
final class Slug
{
    private static ?\Transliterator $toLatin = null;

    public const PATTERN = '/^[a-z0-9]+(?:-[a-z0-9]+)*$/D';

    public const MAX = 120;

    public static function isOne(string $text): bool
    {
        return strlen($text) <= self::MAX && preg_match(self::PATTERN, $text) === 1;
    }

    /** A slug from any text; `item` if no letter or digit remains. */
    public static function from(string $text): string
    {
        $folded = str_replace(["'", '’'], '', Fold::of(self::latin($text)));
        $slug = trim(preg_replace('/[^a-z0-9]+/', '-', $folded) ?? '', '-');
        $slug = rtrim(substr($slug, 0, self::MAX - 8), '-');

        return $slug === '' ? 'item' : $slug;
    }

    private static function latin(string $text): string
    {
        if (preg_match('/[\x80-\xFF]/', $text) !== 1) {
            return $text;
        }
        self::$toLatin ??= \Transliterator::create('Any-Latin')
            ?? throw new \LogicException('ICU lacks the transform that addresses are made by.');
        $latin = self::$toLatin->transliterate($text);

        return $latin === false ? $text : $latin;
    }
}
