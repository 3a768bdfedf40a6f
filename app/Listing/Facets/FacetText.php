<?php

declare(strict_types=1);

namespace App\Listing\Facets;

/**
 * The text of a record for one column of filters. Counting equal texts is faster than counting rows with several
 * values.
 *
 * text  = column ":" fails ":" held *( "|" held ) column = the number of the column fails  = the place of the only
 * filter that the record fails, or -1 if it fails none held   = "" if the record has no value of the filter, or "=" and
 * the value
 *
 * One `held` stands for each filter of the column, in order. No value that shares a column holds "|" (Field::CHOICE).
 */
final class FacetText
{
    private const SEPARATOR = '|';

    /**
     * The SQL that makes the text from the columns `fails` and `held0`, `held1` … of FacetScan; null if the record
     * counts for no filter of the column.
     *
     * @param  non-empty-list<int>  $places  of the column's filters
     * @param  bool  $isNarrowed  true if the visitor has chosen anything
     */
    public static function sql(int $column, array $places, bool $isNarrowed): string
    {
        // Prefixes are joined with values in one step, because each concatenation costs as much as reading a value.
        $text = fn (int $fails): string => implode(' || ', array_map(
            fn (int $place, string $before): string => "coalesce('{$before}=' || held{$place}, '{$before}')",
            $places,
            ["{$column}:{$fails}:", ...array_fill(0, count($places) - 1, self::SEPARATOR)],
        ));
        $failing = array_map(fn (int $place): string => " when {$place} then {$text($place)}", $places);

        return $isNarrowed
            ? 'case fails when '.FacetScan::NONE." then {$text(FacetScan::NONE)}".implode($failing).' end'
            : $text(FacetScan::NONE);
    }

    /**
     * @param  string  $held  the end of a text, after column and fails
     * @param  non-empty-list<int>  $places  of the column's filters
     * @return array<int, string> `held` of each filter, by place
     */
    public static function held(string $held, array $places): array
    {
        return array_combine($places, explode(self::SEPARATOR, $held, count($places)));
    }
}
