<?php

declare(strict_types=1);

namespace Wellspring\Core\Module;

/** Says in a module's definition what a field is called now. */
final class FieldRename
{
    private const NAMES_A_FIELD = ['field', 'by', 'of'];

    /**
     * @param  array<array-key, mixed>  $definition
     * @param  array<string, string>  $renamed  new keys by old
     * @return array<array-key, mixed>
     */
    public static function in(array $definition, array $renamed): array
    {
        foreach ($definition as $key => $value) {
            $definition[$key] = match (true) {
                // The fields that a search looks in are named by the keys themselves.
                $key === 'in' && is_array($value) => array_combine(array_map(fn (string|int $field): string|int => $renamed[$field] ?? $field, array_keys($value)), $value),
                is_array($value) => self::in($value, $renamed),
                is_string($value) && in_array($key, self::NAMES_A_FIELD, true) => $renamed[$value] ?? $value,
                default => $value,
            };
        }

        return $definition;
    }
}
