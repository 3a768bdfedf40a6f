<?php

declare(strict_types=1);

namespace App\Content;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\ItemDraft;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Text\Html;
use Wellspring\Core\Text\Words;

/** The texts of an item in folded form, for comparisons and search. */
final class ItemTexts
{
    /** Maximum size of the search words in bytes: PostgreSQL limits an index entry to 1 MB, with its own marks. */
    private const SEARCHED_BYTES = 400_000;

    /** @return array<string, string> the texts in the form in which they are compared */
    public static function folded(Type $type, ItemDraft $draft): array
    {
        $folded = ['title' => Fold::of($draft->title), 'slug' => (string) $draft->slug];
        foreach (['text' => $draft->text] + array_intersect_key($draft->fields, $type->fields) as $key => $value) {
            $family = $type->field($key)?->family();
            if (is_string($value) && ($family === Family::Text || $family === Family::LongText)) {
                $text = $family === Family::LongText ? Html::visibleText($value) : $value;
                if ($text !== '') {
                    $folded[$key] = Fold::of($text);
                }
            }
        }

        return $folded;
    }

    /**
     * @return array<string, array<string, string>> the words of its texts, by how they stand and by field; those of
     *   its terms stand with the terms. Of very long texts the first words
     */
    public static function words(Type $type, ItemDraft $draft): array
    {
        $words = [];
        $left = self::SEARCHED_BYTES;
        foreach (['title' => $draft->title, 'text' => $draft->text] + $draft->fields as $key => $value) {
            $field = $type->field($key);
            $standing = $field === null ? null : $field->searchWeight();
            if ($field !== null && $standing !== null && is_string($value)) {
                $found = Words::of($field->family() === Family::LongText ? Html::visibleText($value) : $value);
                $text = implode(' ', $found);
                if (strlen($text) > $left) {
                    $text = substr($text, 0, (int) strrpos(substr($text, 0, $left + 1), ' '));
                }
                $left -= strlen($text);
                $words[$standing][$key] = $text;
            }
        }

        return array_filter(
            array_map(fn (array $all): array => array_filter($all, fn (string $text): bool => $text !== ''), $words),
        );
    }
}
