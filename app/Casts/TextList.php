<?php

declare(strict_types=1);

namespace App\Casts;

use App\Database\PostgresArray;
use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * An array of plain texts in PostgreSQL.
 *
 * @implements CastsAttributes<list<string>, list<string>|string>
 */
final class TextList implements CastsAttributes
{
    /** @return list<string> */
    public function get(Model $model, string $key, mixed $value, array $attributes): array
    {
        $text = is_string($value) ? trim($value, '{}') : '';

        return $text === '' ? [] : array_map(fn (string $one): string => trim($one, '"'), explode(',', $text));
    }

    /** @param  mixed  $value  list<string>, or one text */
    public function set(Model $model, string $key, mixed $value, array $attributes): string
    {
        return PostgresArray::literal(array_filter((array) $value, is_string(...)));
    }
}
