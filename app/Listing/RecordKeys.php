<?php

declare(strict_types=1);

namespace App\Listing;

use App\Database\PostgresArray;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\RecordKey;
use Wellspring\Core\Source\Source;
use Wellspring\Core\Time\Iso8601;

/** Reads record keys from rows, and finds rows by keys. */
final class RecordKeys
{
    /** @return non-empty-list<string> the columns of `items` that name a record of the source */
    public static function columns(Source $source): array
    {
        return ['items.id', 'items.type_key', ...$source->hasOccurrences() ? ['items.starts_at'] : []];
    }

    /**
     * @param  Collection<int, \stdClass>  $rows  rows with these columns
     * @return list<RecordKey>
     */
    public static function of(Collection $rows): array
    {
        return array_values($rows->map(self::ofRow(...))->all());
    }

    public static function ofRow(\stdClass $row): RecordKey
    {
        $start = $row->starts_at ?? null;

        return new RecordKey(
            (string) $row->type_key,
            (int) $row->id,
            is_string($start) ? Iso8601::format(new \DateTimeImmutable($start)) : null,
        );
    }

    /** Restricts a query over `items` to the keys. For a source without occurrences, the id identifies a key. */
    public static function only(Builder $query, Source $source, RecordKey ...$keys): Builder
    {
        return self::matching($query, $source, array_values($keys), not: false);
    }

    /** Excludes the keys from a query over `items`. */
    public static function without(Builder $query, Source $source, RecordKey ...$keys): Builder
    {
        return $keys === [] ? $query : self::matching($query, $source, array_values($keys), not: true);
    }

    /**
     * One record for each key, with its start, from the records found by id.
     *
     * @param  list<RecordKey>  $keys
     * @param  list<Record>  $records
     * @return list<Record> in the order of the keys; those that were not found are left out
     */
    public static function inOrder(array $keys, array $records): array
    {
        $byId = array_column($records, null, 'id');

        return array_values(array_map(
            fn (RecordKey $key): Record => $byId[$key->id]->startingAt($key->start),
            array_filter($keys, fn (RecordKey $key): bool => isset($byId[$key->id])),
        ));
    }

    /** @param  list<RecordKey>  $keys */
    private static function matching(Builder $query, Source $source, array $keys, bool $not): Builder
    {
        $ids = array_map(fn (RecordKey $key): int => $key->id, $keys);
        if (! $source->hasOccurrences()) {
            return $query->whereIntegerInRaw('items.id', $ids, not: $not);
        }
        $matches = '(items.id, items.starts_at) in (select * from unnest(?::bigint[], ?::timestamptz[]))';

        return $query->whereRaw(($not ? 'not ' : '').$matches, [
            PostgresArray::literal($ids),
            // A key without a start does not name an occurrence.
            PostgresArray::literal(array_map(fn (RecordKey $key): string => $key->start ?? 'infinity', $keys)),
        ]);
    }
}
