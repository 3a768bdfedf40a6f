<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * An array of plain texts in PostgreSQL, which the database keeps itself.
 *
 * @implements CastsAttributes<list<string>, never>
 */
final class TextList implements CastsAttributes
{
    /** @return list<string> */
    public function get(Model $model, string $key, mixed $value, array $attributes): array
    {
        $text = is_string($value) ? trim($value, '{}') : '';

        return $text === '' ? [] : array_map(fn (string $one): string => trim($one, '"'), explode(',', $text));
    }

    public function set(Model $model, string $key, mixed $value, array $attributes): never
    {
        throw new \LogicException("{$key} is kept by the database.");
    }
}
