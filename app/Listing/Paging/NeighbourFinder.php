<?php

declare(strict_types=1);

namespace App\Listing\Paging;

use App\Listing\Compile\OrderBy;
use App\Listing\Compile\OrderSql;
use App\Listing\ModuleQuery;
use App\Listing\RecordKeys;
use Wellspring\Core\Content\RecordKey;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Module\Module;

/** Finds the records before and after a record among all records of a module, without listing them. */
final readonly class NeighbourFinder
{
    private const NONE = ['previous' => null, 'next' => null];

    /** The maximum number of positions that are tried for a record that occurs more than once. */
    private const PLACES = 100;

    public function __construct(
        private ModuleQuery $query,
        private OrderSql $orders,
        private KeysetPaginator $paginator,
        private RankFinder $ranks,
    ) {
    }

    /**
     * @param  int  $id  of the record; if it occurs more than once, its first position counts, and it is not its own
     *   neighbour
     * @return array{previous: RecordKey|null, next: RecordKey|null} both null where the module does not show it
     */
    public function of(Module $module, int $id, Context $context): array
    {
        $module = $module->bound($context);
        $pins = $this->query->pins($module, $context)['keys'];
        $orders = $this->orders->of($module, $context);
        $columns = RecordKeys::columns($module->source);
        $unpinned = RecordKeys::without($this->query->passing($module, $context)->toBase(), $module->source, ...$pins);
        $others = (clone $unpinned)->where('items.id', '!=', $id);
        $first = fn (int $most, bool $isOwn): array => $this->paginator->keys(
            $isOwn ? (clone $unpinned)->where('items.id', $id) : $others,
            $orders,
            $columns,
            0,
            $most,
            null,
        );
        $own = array_values(array_filter($pins, fn (RecordKey $pin): bool => $pin->id === $id));
        $record = $this->firstShown($own ?: $first(self::PLACES, true), $module, $context);
        if ($record === null) {
            return self::NONE;
        }
        $at = array_search($record, $pins, false);
        if ($at === false) {
            $holder = RecordKeys::only(clone $unpinned, $module->source, $record);
            $backwards = array_map(fn (OrderBy $by): OrderBy => $by->reversed(), $orders);
            $previous = $this->paginator->following($others, clone $holder, $backwards, $columns)
                ?? $pins[count($pins) - 1] ?? null;
            $next = $this->paginator->following($others, $holder, $orders, $columns);
        } else {
            $after = array_filter(array_slice($pins, $at), fn (RecordKey $pin): bool => $pin->id !== $id);
            $previous = $pins[$at - 1] ?? null;
            $next = reset($after) ?: $first(1, false)[0] ?? null;
        }

        return [
            'previous' => $previous === null || ! $this->isShown($module, $previous, $context) ? null : $previous,
            'next' => $next === null || ! $this->isShown($module, $next, $context) ? null : $next,
        ];
    }

    /** @param  list<RecordKey>  $keys */
    private function firstShown(array $keys, BoundModule $module, Context $context): ?RecordKey
    {
        foreach ($keys as $key) {
            if ($this->isShown($module, $key, $context)) {
                return $key;
            }
        }

        return null;
    }

    /** True if a passing record remains after the first ones are skipped and the rest is cut off. */
    private function isShown(BoundModule $module, RecordKey $record, Context $context): bool
    {
        [$skip, $limit] = [$module->skip, $module->displayLimit()];
        if ($skip === 0 && $limit === null) {
            return true;
        }
        $place = (int) $this->ranks->rank($module, $record, $context) - 1 - $skip;

        return $place >= 0 && ($limit === null || $place < $limit);
    }
}
