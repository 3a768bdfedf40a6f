<?php

declare(strict_types=1);

namespace Wellspring\Core\Explain;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Type;

/** The card of a new module, which depends on the fields of its type. */
final class StarterCards
{
    /**
     * @return array<string, mixed> for an event when and where, for a product its price, for a post its date and first
     *   words
     */
    public static function of(Type $type): array
    {
        $lines = [
            self::first($type, Family::Picture) === null ? [] : [['part' => 'picture']],
            [['part' => 'title', 'level' => 3]],
        ];
        $begins = self::first($type, Family::Instant);
        $place = self::first($type, Family::Place);
        $isPriced = ($type->fields['price'] ?? null)?->kind->key() === 'money';
        if ($isPriced) {
            $rating = ($type->fields['rating'] ?? null)?->family() === Family::Number;
            $lines[] = [['part' => 'price', 'badge' => 'Sale'], ...$rating ? [['part' => 'rating']] : []];
        }
        if ($begins !== null) {
            $lines[] = [['part' => 'date', 'field' => $begins->key, 'format' => 'EEEdMMMHHmm']];
        }
        if ($place !== null) {
            $lines[] = [['part' => 'field', 'field' => $place->key]];
        }
        if (! $isPriced && $begins === null && $place === null) {
            $lines[] = [['part' => 'date', 'field' => 'publish_at', 'format' => 'yMMMMd']];
            $lines[] = [['part' => 'excerpt', 'words' => 24]];
        }

        return ['lines' => array_map(
            fn (array $parts): array => ['parts' => $parts],
            array_values(array_filter($lines)),
        )];
    }

    private static function first(Type $type, Family $family): ?Field
    {
        $found = array_filter($type->fields, fn (Field $field): bool => $field->family() === $family);

        return array_values($found)[0] ?? null;
    }
}
