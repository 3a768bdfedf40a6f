<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;

/**
 * Finds names, slugs and keys that no other row has. The unique index decides: a row that is too late takes the next
 * name. This needs no exception and no savepoint.
 */
final class FreeName
{
    /** Number of names in one query. */
    private const AT_ONCE = 200;

    /** Maximum number of retries when other writers are faster. */
    private const TRIES = 50;

    /** Maximum number of rows in one statement, which can have 65,535 values. */
    private const ROWS = 1000;

    /**
     * Inserts the row with the first free name.
     *
     * @param  Model  $model  complete except for the name; with an integer key `id`
     * @param  list<string>  $within  the other columns of the unique index
     * @param  \Closure(int): string  $name  returns the name for attempt 1, 2, 3 …
     * @param  (\Closure(string): mixed)|null  $named  receives each name before it is tried, to set dependent values
     */
    public static function insert(
        Model $model,
        string $column,
        array $within,
        \Closure $name,
        ?\Closure $named = null,
    ): void {
        self::insertAll(
            [$model],
            $column,
            $within,
            fn (): \Closure => $name,
            named: $named === null ? null : fn (Model $model): mixed => $named($model->getAttribute($column)),
        );
    }

    /**
     * Inserts the rows, each with its first free name.
     *
     * @template T of Model
     *
     * @param  list<T>  $models  complete except for the names; equal in the other columns of the unique index
     * @param  list<string>  $within  these columns
     * @param  \Closure(T): (\Closure(int): string)  $names  returns the names for a row, by attempt from 1
     * @param  array<array-key, mixed>  $reserved  names, as keys, that must not be used
     * @param  (\Closure(T): mixed)|null  $named  receives each row with its name, to set dependent values
     */
    public static function insertAll(
        array $models,
        string $column,
        array $within,
        \Closure $names,
        array $reserved = [],
        ?\Closure $named = null,
    ): void {
        for ($try = 0; $models !== [] && $try < self::TRIES; $try++) {
            $among = $models[0]->newQueryWithoutScopes();
            foreach ($within as $other) {
                $among->where($other, $models[0]->getAttribute($other));
            }
            $first = array_map(fn (Model $model): string => $names($model)(1), $models);
            $taken = $reserved + (clone $among)->whereIn($column, $first)->pluck($column)->flip()->all();
            foreach ($models as $n => $model) {
                $free = isset($taken[$first[$n]])
                    ? self::unused($among, $column, $names($model), $taken)
                    : $first[$n];
                $taken[$free] = true;
                $model->setAttribute($column, $free);
                $named === null || $named($model);
            }
            $models = self::insertNamed($models, $column, $within);
        }
        if ($models !== []) {
            throw new \RuntimeException("No free {$column} was found for a new row of {$models[0]->getTable()}.");
        }
    }

    /**
     * Inserts rows with their names, except those whose name is taken.
     *
     * @template T of Model
     *
     * @param  list<T>  $models
     * @param  list<string>  $within  the other columns of the unique index, which are equal in all rows
     * @return list<T> those that were not inserted
     */
    public static function insertNamed(array $models, string $column, array $within): array
    {
        $made = [];
        foreach (array_chunk($models, self::ROWS) as $some) {
            $made += self::insertRows($some, [...$within, $column], $column);
        }
        $left = [];
        foreach ($models as $model) {
            $name = $model->getAttribute($column);
            if (is_string($name) && isset($made[$name])) {
                self::isInserted($model, $made[$name]);
                unset($made[$name]);
            } else {
                $left[] = $model;
            }
        }

        return $left;
    }

    /**
     * Inserts the row unless its name is taken.
     *
     * @param  list<string>  $unique  the columns of the unique index; empty: any index
     * @return bool whether it was inserted
     */
    public static function inserted(Model $model, array $unique): bool
    {
        foreach (self::insertRows([$model], $unique, 'id') as $id) {
            self::isInserted($model, $id);

            return true;
        }

        return false;
    }

    /**
     * @param  list<Model>  $models  with values for the same columns
     * @param  list<string>  $unique
     * @return array<array-key, int> ids of the new rows, by another of their columns
     */
    private static function insertRows(array $models, array $unique, string $by): array
    {
        $rows = array_map(function (Model $model): array {
            $model->usesTimestamps() && $model->updateTimestamps();

            return $model->getAttributes();
        }, $models);
        if ($rows === []) {
            return [];
        }
        $columns = array_keys($rows[0]);
        $places = '('.implode(', ', array_fill(0, count($columns), '?')).')';
        $made = DB::select(
            "insert into {$models[0]->getTable()} (\"".implode('", "', $columns).'") values '
                .implode(', ', array_fill(0, count($rows), $places))
                .' on conflict '.($unique === [] ? '' : '('.implode(', ', $unique).')')
                ." do nothing returning id, \"{$by}\" as name",
            array_merge(...array_map(
                fn (array $row): array => array_map(fn (string $column): mixed => $row[$column], $columns),
                $rows,
            )),
        );

        return array_map(intval(...), array_column($made, 'id', 'name'));
    }

    private static function isInserted(Model $model, int $id): void
    {
        $model->setAttribute('id', $id);
        $model->exists = $model->wasRecentlyCreated = true;
        $model->syncOriginal();
    }

    /**
     * The first of the names that is free at present.
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
