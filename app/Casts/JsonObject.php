<?php

declare(strict_types=1);

namespace App\Casts;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * An array stored as a JSON object, `{}` when empty; numbers keep their shortest exact form.
 *
 * @implements CastsAttributes<array<string, mixed>, array<string, mixed>>
 */
final class JsonObject implements CastsAttributes
{
    /** @return array<string, mixed> */
    public function get(Model $model, string $key, mixed $value, array $attributes): array
    {
        $data = is_string($value) ? json_decode($value, true, 64, JSON_THROW_ON_ERROR) : [];

        return is_array($data) ? $data : [];
    }

    public function set(Model $model, string $key, mixed $value, array $attributes): string
    {
        return self::encode(is_array($value) ? $value : []);
    }

    /** @param  array<array-key, mixed>  $data */
    public static function encode(array $data): string
    {
        return json_encode((object) $data, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }
}
