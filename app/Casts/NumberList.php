<?php

declare(strict_types=1);

namespace App\Casts;

use App\Database\PostgresArray;
use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * An array of whole numbers in PostgreSQL.
 *
 * @implements CastsAttributes<list<int>, list<int>>
 */
final class NumberList implements CastsAttributes
{
    /** @return list<int> */
    public function get(Model $model, string $key, mixed $value, array $attributes): array
    {
        $text = is_string($value) ? trim($value, '{}') : '';

        return $text === '' ? [] : array_map(intval(...), explode(',', $text));
    }

    public function set(Model $model, string $key, mixed $value, array $attributes): string
    {
        return PostgresArray::literal(array_filter((array) $value, is_int(...)));
    }
}
