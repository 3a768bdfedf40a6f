<?php

declare(strict_types=1);

namespace Wellspring\Core\Text;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Origin;

/** The words of texts, and where search finds them. */
final class Words
{
    /** What a word counts by where it stands: in the title, in a short text or a term's name, in a long text. */
    public const WEIGHTS = ['A' => 4, 'B' => 2, 'D' => 1];

    /** @return string|null a key of WEIGHTS; null for a field whose words are not looked at */
    public static function standing(Field $field): ?string
    {
        return match (true) {
            $field->origin === Origin::Item => ['title' => 'A', 'text' => 'D'][$field->key] ?? null,
            $field->family() === Family::LongText => 'D',
            $field->family() === Family::Terms, $field->kind->key() === 'text' => 'B',
            default => null,
        };
    }

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
}
