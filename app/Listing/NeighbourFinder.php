<?php

declare(strict_types=1);

namespace App\Listing;

use Wellspring\Core\Content\RecordKey;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\Module;

/** Finds what stands before and after a record among all that a module shows, without listing them. */
final readonly class NeighbourFinder
{
    public function __construct(
        private ModuleQuery $query,
        private OrderSql $orders,
        private KeysetPaginator $paginator,
        private RankFinder $ranks,
    ) {
    }

    /**
     * @param  int  $id  of the record; of one that stands more than once, its first place is meant
     * @return array{previous: RecordKey|null, next: RecordKey|null} both null where the module does not show it
     */
    public function of(Module $module, int $id, Context $context): array
    {
        $module = $module->bound($context);
        $pins = $this->query->pins($module, $context)['keys'];
        $pinned = array_search($id, array_column($pins, 'id'), true);
        $orders = $this->orders->of($module, $context);
        $columns = RecordKeys::columns($module->source);
        $all = RecordKeys::without($this->query->passing($module, $context)->toBase(), $module->source, ...$pins);
        $record = $pinned === false
            ? $this->paginator->keys((clone $all)->where('items.id', $id), $orders, $columns, 0, 1, null)[0] ?? null
            : $pins[$pinned];
        $ends = $record === null ? null : $this->ends($module, $record, $context);
        if ($record === null || $ends === null) {
            return ['previous' => null, 'next' => null];
        }
        $others = (clone $all)->where('items.id', '!=', $id);
        if ($pinned !== false) {
            $previous = $pins[$pinned - 1] ?? null;
            $next = $pins[$pinned + 1] ?? $this->paginator->keys($others, $orders, $columns, 0, 1, null)[0] ?? null;
        } else {
            $holder = fn () => RecordKeys::only(clone $all, $module->source, $record);
            $before = array_map(fn (OrderBy $by): OrderBy => $by->reversed(), $orders);
            $previous = $this->paginator->following($others, $holder(), $before, $columns)
                ?? $pins[count($pins) - 1] ?? null;
            $next = $this->paginator->following($others, $holder(), $orders, $columns);
        }

        return ['previous' => $ends['isFirst'] ? null : $previous, 'next' => $ends['isLast'] ? null : $next];
    }

    /**
     * Where the record stands among those that are left where the first are skipped and the rest is cut off.
     *
     * @param  Module  $module  bound
     * @return array{isFirst: bool, isLast: bool}|null null where it is not among them; of a module that neither skips
     *   nor cuts off, it is told to be neither the first nor the last
     */
    private function ends(Module $module, RecordKey $record, Context $context): ?array
    {
        [$skip, $limit] = [$module->skip, $module->displayLimit()];
        if ($skip === 0 && $limit === null) {
            return ['isFirst' => false, 'isLast' => false];
        }
        $place = (int) $this->ranks->rank($module, $record, $context) - 1 - $skip;

        return $place < 0 || $limit !== null && $place >= $limit
            ? null
            : ['isFirst' => $place === 0, 'isLast' => $limit !== null && $place === $limit - 1];
    }
}
