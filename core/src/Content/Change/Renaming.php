<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Change;

use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Content\Reference;

/** Renames fields or terms inside definitions, at the places that refer to them. */
final readonly class Renaming
{
    /** Marks a name that was already replaced inside a text, so that it is not renamed again. */
    private const DONE = "\u{0}";

    /** @param  \Closure(Reference): ?string  $newName  null if the reference is not affected */
    private function __construct(private \Closure $newName)
    {
    }

    /**
     * @param  string  $type  key of the content type with the renamed fields
     * @param  array<string, string>  $renamed  new keys by old
     * @param  Catalogue  $before  the site before the renaming
     */
    public static function ofFields(string $type, array $renamed, Catalogue $before): self
    {
        $own = fn (Field $field, string $key): ?string => $field->origin === Origin::Type
            ? $renamed[$key] ?? null
            : null;

        return new self(function (Reference $reference) use ($type, $own, $before): ?string {
            $field = $reference->field;
            if ($field === null) {
                return null;
            }
            if ($reference->isOfPage) {
                return self::areAllOf($type, $field, $before) ? $own($field, $field->key) : null;
            }
            $isOfType = in_array($type, $reference->types, true);
            if ($field->through === null) {
                return $isOfType ? $own($field, $field->key) : null;
            }
            $link = $isOfType ? $own($field->through, $field->through->key) : null;
            $reached = in_array($type, $field->through->types, true) ? $own($field, $field->ownKey()) : null;

            return $link === null && $reached === null
                ? null
                : ($link ?? $field->through->key).'.'.($reached ?? $field->ownKey());
        });
    }

    /** @param  array<string, string>  $renamed  new slugs by old; several old ones may have the same new one */
    public static function ofTerms(string $taxonomy, array $renamed): self
    {
        return new self(
            fn (Reference $reference): ?string => $reference->taxonomy === $taxonomy
                ? $renamed[$reference->name] ?? null
                : null,
        );
    }

    /**
     * @param  array<array-key, mixed>  $definition  as stored
     * @param  list<Reference>  $references  of the same definition, read before the renaming
     * @return array<array-key, mixed>
     */
    public function in(array $definition, array $references): array
    {
        $lists = [];
        foreach ($references as $reference) {
            $name = ($this->newName)($reference);
            if ($name !== null) {
                $definition = self::replaced($definition, self::steps($reference->path), $reference, $name);
                if ($reference->keptAs !== null) {
                    $steps = self::steps($reference->path);
                    array_pop($steps);
                    $definition = self::changed($definition, $steps, fn (mixed $object): mixed => is_array($object)
                        ? $object + [$reference->keptAs => $reference->name]
                        : $object);
                }
                $lists[preg_replace('/\[\d+\]$/D', '', $reference->path) ?? ''] = true;
            }
        }
        foreach ($references as $reference) {
            if ($reference->isWithin) {
                $definition = self::changed(
                    $definition,
                    self::steps($reference->path),
                    fn (mixed $text): mixed => is_string($text) ? str_replace(self::DONE, '', $text) : $text,
                );
            }
        }
        // If several terms were merged, a list contains the new one once.
        foreach (array_keys($lists) as $path) {
            $definition = self::changed(
                $definition,
                self::steps((string) $path),
                fn (mixed $list): mixed => is_array($list) && array_is_list($list)
                ? array_values(array_unique($list, SORT_REGULAR))
                : $list,
            );
        }

        return $definition;
    }

    /** True if no other type has such a field: fields of a page's item do not name the type. */
    private static function areAllOf(string $type, Field $field, Catalogue $catalogue): bool
    {
        foreach ($catalogue->types as $other) {
            if ($other->key !== $type && $other->field($field->key)?->family() === $field->family()) {
                return false;
            }
        }

        return $catalogue->type($type)?->field($field->key) !== null;
    }

    /**
     * @param  array<array-key, mixed>  $definition
     * @param  non-empty-list<string|int>  $steps
     * @return array<array-key, mixed>
     */
    private static function replaced(array $definition, array $steps, Reference $reference, string $name): array
    {
        if ($reference->isWithin) {
            return self::changed($definition, $steps, fn (mixed $text): mixed => is_string($text)
                ? str_replace("{{$reference->name}}", '{'.self::DONE."{$name}}", $text)
                : $text);
        }
        if (! $reference->isKey) {
            return self::changed(
                $definition,
                $steps,
                fn (mixed $found): mixed => $found === $reference->name ? $name : $found,
            );
        }
        array_pop($steps);

        return $steps === []
            ? $definition
            : self::changed($definition, $steps, fn (mixed $object): mixed => is_array($object)
            ? array_combine(
                array_map(
                    fn (string|int $key): string|int => $key === $reference->name ? $name : $key,
                    array_keys($object),
                ),
                $object,
            )
            : $object);
    }

    /**
     * @param  array<array-key, mixed>  $definition
     * @param  list<string|int>  $steps
     * @param  \Closure(mixed): mixed  $change  not called if the path does not exist
     * @return array<array-key, mixed>
     */
    private static function changed(array $definition, array $steps, \Closure $change): array
    {
        $step = array_shift($steps);
        if ($step === null || ! array_key_exists($step, $definition)) {
            return $definition;
        }
        $found = $definition[$step];
        $definition[$step] = match (true) {
            $steps === [] => $change($found),
            is_array($found) => self::changed($found, $steps, $change),
            default => $found,
        };

        return $definition;
    }

    /** @return non-empty-list<string|int> */
    private static function steps(string $path): array
    {
        preg_match_all('/[A-Za-z0-9_]+/', $path, $found);

        return array_map(fn (string $step): string|int => ctype_digit($step) ? (int) $step : $step, $found[0]) ?: [''];
    }
}
