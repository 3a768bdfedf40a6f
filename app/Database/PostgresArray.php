<?php

declare(strict_types=1);

namespace App\Database;

/** Arrays in PostgreSQL's text form: `{1,2}`, `{"one","two"}` (PostgreSQL 15 manual, 8.15.2). */
final class PostgresArray
{
    /** @param  array<int|string>  $values  one binding for the whole list */
    public static function literal(array $values): string
    {
        return '{'.implode(',', array_map(
            fn (int|string $value): string => is_int($value) ? (string) $value : '"'.addcslashes($value, '"\\').'"',
            $values,
        )).'}';
    }
}
