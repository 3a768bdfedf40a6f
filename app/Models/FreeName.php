<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;

/**
 * Finds names, slugs and keys that no other row has. Only the database's unique index decides: whoever is a moment too
 * late takes the next name. No exception and no savepoint is needed for that.
 */
final class FreeName
{
    /** How many names are looked for in one query. */
    private const AT_ONCE = 200;

    /** How often another may be faster, one name after the other. */
    private const TRIES = 50;

    /**
     * Inserts the row under the first name that is free.
     *
     * @param  Model  $model  filled, but for the name; with an integer key named `id`
     * @param  list<string>  $within  the other columns of the unique index
     * @param  \Closure(int): string  $name  the name to try first for 1, then for 2, 3 …
     * @param  array<array-key, mixed>  $reserved  names, as keys, that are not to be taken
     * @param  (\Closure(string): mixed)|null  $named  told each name before it is tried, to set what depends on it
     */
    public static function insert(
        Model $model,
        string $column,
        array $within,
        \Closure $name,
        array $reserved = [],
        ?\Closure $named = null,
    ): void {
        for ($try = 0; $try < self::TRIES; $try++) {
            $among = $model->newQueryWithoutScopes();
            foreach ($within as $other) {
                $among->where($other, $model->getAttribute($other));
            }
            $free = self::unused($among, $column, $name, $reserved);
            $model->setAttribute($column, $free);
            $named === null || $named($free);
            if (self::inserted($model, [...$within, $column])) {
                return;
            }
        }
        throw new \RuntimeException("No free {$column} was found for a new row of {$model->getTable()}.");
    }

    /**
     * Inserts the row, unless another has the same name already.
     *
     * @param  list<string>  $unique  the columns of the unique index; none: whichever index there is
     * @return bool whether it was inserted
     */
    public static function inserted(Model $model, array $unique): bool
    {
        $model->usesTimestamps() && $model->updateTimestamps();
        $row = $model->getAttributes();
        $columns = implode(', ', array_map(fn (string $column): string => "\"{$column}\"", array_keys($row)));
        $made = DB::selectOne(
            "insert into {$model->getTable()} ({$columns}) values (".implode(', ', array_fill(0, count($row), '?'))
                .') on conflict '.($unique === [] ? '' : '('.implode(', ', $unique).')').' do nothing returning id',
            array_values($row),
        );
        if ($made === null) {
            return false;
        }
        $model->setAttribute('id', (int) $made->id);
        $model->exists = $model->wasRecentlyCreated = true;
        $model->syncOriginal();

        return true;
    }

    /**
     * The first of the names that no row has at present.
     *
     * @param  Builder<covariant Model>  $among
     * @param  \Closure(int): string  $name
     * @param  array<array-key, mixed>  $reserved
     */
    public static function unused(Builder $among, string $column, \Closure $name, array $reserved = []): string
    {
        $first = $name(1);
        if (! isset($reserved[$first]) && ! (clone $among)->where($column, $first)->exists()) {
            return $first;
        }
        for ($from = 2; ; $from += self::AT_ONCE) {
            $names = array_map($name, range($from, $from + self::AT_ONCE - 1));
            $taken = (clone $among)->whereIn($column, $names)->pluck($column)->flip();
            foreach ($names as $one) {
                if (! $taken->has($one) && ! isset($reserved[$one])) {
                    return $one;
                }
            }
        }
    }
}
