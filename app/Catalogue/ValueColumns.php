<?php

declare(strict_types=1);

namespace App\Catalogue;

use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Type;

/**
 * The columns of `items` that hold what an item holds of a field, as text, so that an index can hold it. A type has 16;
 * the fields that come first in it get them. The database fills them from `fields` whenever those are written.
 */
final class ValueColumns
{
    private const PLACES = 16;

    /** Whose values are short. */
    private const FAMILIES = [
        Family::Number, Family::YesNo, Family::Choice, Family::Choices, Family::Date, Family::Instant,
    ];

    /** Gives the type's fields their columns. A field that has one keeps it. Call after its items are rewritten. */
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
