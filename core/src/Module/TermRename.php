<?php

declare(strict_types=1);

namespace Wellspring\Core\Module;

/** Says in a module's definition what terms are called now. */
final class TermRename
{
    /**
     * @param  array<array-key, mixed>  $definition
     * @param  array<string, string>  $renamed  new slugs by old
     * @return array<array-key, mixed>
     */
    public static function in(array $definition, string $taxonomy, array $renamed): array
    {
        if (($definition['field'] ?? null) === $taxonomy && is_array($definition['value'] ?? null) && array_is_list($definition['value'])) {
            $definition['value'] = array_values(array_unique(array_map(fn (mixed $slug): mixed => is_string($slug) ? $renamed[$slug] ?? $slug : $slug, $definition['value']), SORT_REGULAR));

            return $definition;
        }

        // The term below which terms are taken, and the term whose order by hand is meant.
        foreach (['under' => 'terms', 'term' => 'of'] as $key => $names) {
            if (($definition[$names] ?? null) === $taxonomy && is_string($definition[$key] ?? null)) {
                $definition[$key] = $renamed[$definition[$key]] ?? $definition[$key];
            }
        }

        return array_map(fn (mixed $value): mixed => is_array($value) ? self::in($value, $taxonomy, $renamed) : $value, $definition);
    }
}
