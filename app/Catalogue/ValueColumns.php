<?php

declare(strict_types=1);

namespace App\Catalogue;

use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Type;

/**
 * The generated columns of `items` that contain field values as text, for indexes. A type has 16 of them, for its first
 * fields. PostgreSQL fills them from `fields` at each write.
 */
final class ValueColumns
{
    private const PLACES = 16;

    /** Kinds with short values. */
    private const FAMILIES = [
        Family::Number, Family::YesNo, Family::Choice, Family::Choices, Family::Date, Family::Instant,
    ];

    /**
     * Assigns columns to the type's fields. A field keeps its column. Call this after the type's items are rewritten.
     */
    public function assign(Type $type): void
    {
        $short = array_filter(
            $type->fields,
            fn (Field $field): bool => in_array($field->family(), self::FAMILIES, true),
        );
        $kept = array_flip(array_intersect_key($this->places($type->key), $short));
        $new = array_diff(array_keys($short), $kept);
        $fields = [];
        foreach (range(1, self::PLACES) as $place) {
            $fields[] = $kept[$place] ?? array_shift($new) ?? '';
        }
        DB::table('value_columns')->upsert(
            ['type_key' => $type->key, 'fields' => '{"'.implode('","', $fields).'"}'],
            ['type_key'],
        );
    }

    /** @return array<array-key, string> columns of `items` by field, of those that have one */
    public function of(string $type): array
    {
        return array_map(fn (int $place): string => "value_{$place}", $this->places($type));
    }

    /** @return array<array-key, int> 1 to 16, by field */
    private function places(string $type): array
    {
        $places = DB::table('value_columns')
            ->crossJoin(DB::raw('unnest(value_columns.fields) with ordinality as one(field, place)'))
            ->where('value_columns.type_key', $type)->where('one.field', '<>', '')
            ->pluck('one.place', 'one.field')->all();

        return array_map(intval(...), $places);
    }
}
