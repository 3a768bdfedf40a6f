<?php

declare(strict_types=1);

namespace App\Listing\Paging;

use App\Listing\Compile\Fragment;
use App\Listing\Compile\OrderBy;
use App\Listing\RecordKeys;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\RecordKey;

/**
 * Reads records from a position in an order. Positions beyond a limit are reached by keyset pagination: the query
 * starts after the nearest record whose position and sort values are known, so the database does not scan up to the
 * offset.
 */
final readonly class KeysetPaginator
{
    /**
     * @param  int  $offsetLimit  positions before it are reached by OFFSET
     * @param  positive-int  $stride  the distance between cursors, which are created when a position beyond the limit
     *   is first requested
     */
    public function __construct(private int $offsetLimit = 400, private int $stride = 200)
    {
    }

    /**
     * @param  Builder  $query  over `items`, without an order
     * @param  non-empty-list<OrderBy>  $orders  the last one makes the order total
     * @param  non-empty-list<string>  $columns  the columns that identify a record; see RecordKeys::columns()
     * @return list<RecordKey>
     */
    public function keys(
        Builder $query,
        array $orders,
        array $columns,
        int $from,
        int $count,
        ?CursorStore $cursors,
    ): array {
        if ($count <= 0) {
            return [];
        }
        if ($cursors === null || $from < $this->offsetLimit) {
            return RecordKeys::of($this->ordered(clone $query, $orders)->offset($from)->limit($count)->get($columns));
        }
        $known = $cursors->before($from);
        if ($known === null || $from - $known['place'] > $this->stride) {
            $this->seedCursors($query, $orders, $cursors);
            $known = $cursors->before($from);
        }
        if ($known === null) {
            return RecordKeys::of($this->ordered(clone $query, $orders)->offset($from)->limit($count)->get($columns));
        }
        // The known record has its own position; the records after it start one further.
        $skip = $from - $known['place'] - 1;
        $keys = [];
        foreach ($this->branches($orders, $known['values']) as $branch) {
            $need = $skip + $count - count($keys);
            if ($need <= 0) {
                break;
            }
            $found = RecordKeys::of(
                $this->ordered((clone $query)->whereRaw($branch->sql, $branch->bindings), $orders)
                    ->limit($need)
                    ->get($columns),
            );
            $passed = min($skip, count($found));
            $skip -= $passed;
            array_push($keys, ...array_slice($found, $passed));
        }

        return array_slice($keys, 0, $count);
    }

    /**
     * True for records that come after a record.
     *
     * @param  Builder  $holder  a query for that record alone
     * @param  non-empty-list<OrderBy>  $orders
     * @return Fragment|null null where there is no such record
     */
    public function behind(Builder $holder, array $orders): ?Fragment
    {
        $row = self::withValues($holder->select('items.id'), $orders)->first();

        return $row === null ? null : Fragment::any($this->branches($orders, self::valuesOf($row, $orders)));
    }

    /**
     * The next record after another.
     *
     * @param  Builder  $query  over `items`, without an order
     * @param  Builder  $holder  a query for that record alone
     * @param  non-empty-list<OrderBy>  $orders  the last one makes the order total
     * @param  non-empty-list<string>  $columns  the columns that identify a record; see RecordKeys::columns()
     * @return RecordKey|null null where there is none, or no such record
     */
    public function following(Builder $query, Builder $holder, array $orders, array $columns): ?RecordKey
    {
        $row = self::withValues($holder->select('items.id'), $orders)->first();
        foreach ($row === null ? [] : $this->branches($orders, self::valuesOf($row, $orders)) as $branch) {
            $behind = $this->ordered((clone $query)->whereRaw($branch->sql, $branch->bindings), $orders)->limit(1);
            $found = RecordKeys::of($behind->get($columns));
            if ($found !== []) {
                return $found[0];
            }
        }

        return null;
    }

    /**
     * Creates cursors along the whole order in one pass, one stride apart. It reads only sort values, which an index
     * may contain.
     *
     * @param  non-empty-list<OrderBy>  $orders
     */
    private function seedCursors(Builder $query, array $orders, CursorStore $cursors): void
    {
        $bindings = array_merge(...array_map(fn (OrderBy $by): array => $by->by->bindings, $orders));
        $ranked = (clone $query)->selectRaw(
            'row_number() over (order by '.implode(
                ', ',
                array_map(fn (OrderBy $by): string => $by->sql(), $orders),
            ).') - 1 as place',
            $bindings,
        );
        $noted = [];
        foreach (DB::query()->fromSub(
            self::withValues($ranked, $orders),
            'ranked',
        )->whereRaw('place % ? = 0', [$this->stride])->orderBy('place')->get() as $row) {
            $noted[(int) $row->place] = self::valuesOf($row, $orders);
        }
        $cursors->note($noted);
    }

    /** @param  non-empty-list<OrderBy>  $orders */
    private static function withValues(Builder $query, array $orders): Builder
    {
        foreach ($orders as $i => $by) {
            $query->selectRaw("({$by->by->sql})::text as k{$i}", $by->by->bindings);
        }

        return $query;
    }

    /**
     * @param  non-empty-list<OrderBy>  $orders
     * @return list<string|null> the record's values of what it is ordered by
     */
    private static function valuesOf(\stdClass $row, array $orders): array
    {
        $values = (array) $row;

        return array_map(
            fn (int $i): ?string => is_scalar($values["k{$i}"]) ? (string) $values["k{$i}"] : null,
            array_keys($orders),
        );
    }

    /**
     * The records after a record, as conditions that each read one range of an index, nearest first: equal in all but
     * the last key, then equal in all but the last two, and so on.
     *
     * @param  non-empty-list<OrderBy>  $orders
     * @param  list<string|null>  $values
     * @return list<Fragment>
     */
    private function branches(array $orders, array $values): array
    {
        if ($this->comparesAsRow($orders, $values)) {
            $row = Fragment::row(array_map(fn (OrderBy $by): Fragment => $by->by, $orders));
            $known = Fragment::row(
                array_map(
                    fn (OrderBy $by, ?string $value): Fragment => new Fragment("?::{$by->type}", [$value]),
                    $orders,
                    $values,
                ),
            );
            $empty = array_slice(self::after($orders[0], $values[0]), 1);

            return [
                new Fragment(
                    "{$row->sql} ".($orders[0]->up ? '>' : '<')." {$known->sql}",
                    [...$row->bindings, ...$known->bindings],
                ),
                ...$empty,
            ];
        }
        $branches = [];
        for ($last = count($orders) - 1; $last >= 0; $last--) {
            $alike = [];
            for ($i = 0; $i < $last; $i++) {
                $alike[] = $values[$i] === null
                    ? new Fragment("{$orders[$i]->by->sql} is null", $orders[$i]->by->bindings)
                    : new Fragment(
                        "{$orders[$i]->by->sql} = ?::{$orders[$i]->type}",
                        [...$orders[$i]->by->bindings, $values[$i]],
                    );
            }
            foreach (self::after($orders[$last], $values[$last]) as $after) {
                $branches[] = Fragment::all([...$alike, $after]);
            }
        }

        return $branches;
    }

    /**
     * True if one row comparison finds the records after a record, which reads one range of an index. This needs all
     * keys in the same direction, and no empty values except in the first key.
     *
     * @param  non-empty-list<OrderBy>  $orders
     * @param  list<string|null>  $values
     */
    private function comparesAsRow(array $orders, array $values): bool
    {
        foreach ($orders as $i => $by) {
            if ($by->up !== $orders[0]->up || $values[$i] === null || $i > 0 && $by->emptyFirst !== null) {
                return false;
            }
        }

        return count($orders) > 1;
    }

    /** @return list<Fragment> */
    private static function after(OrderBy $by, ?string $value): array
    {
        $sql = $by->by->sql;
        $filled = new Fragment("{$sql} is not null", $by->by->bindings);
        $empty = new Fragment("{$sql} is null", $by->by->bindings);
        if ($value === null) {
            return $by->emptyFirst === true ? [$filled] : [];
        }
        $beyond = new Fragment("{$sql} ".($by->up ? '>' : '<')." ?::{$by->type}", [...$by->by->bindings, $value]);

        return $by->emptyFirst === false ? [$beyond, $empty] : [$beyond];
    }

    /** @param  non-empty-list<OrderBy>  $orders */
    private function ordered(Builder $query, array $orders): Builder
    {
        foreach ($orders as $by) {
            $query->orderByRaw($by->sql(), $by->by->bindings);
        }

        return $query;
    }
}
