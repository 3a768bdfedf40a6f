<?php

declare(strict_types=1);

namespace App\Listing;

use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\Module;

/** Finds the rank of one record among all that a module lists, without listing them. */
final readonly class RankFinder
{
    public function __construct(
        private Sources $sources,
        private OrderSql $orders,
        private KeysetPaginator $paginator,
        private ModuleQuery $query,
    ) {
    }

    /**
     * Where the record stands among all that are listed, before the first are skipped and the rest is cut off: 1 first;
     * null where it does not pass.
     */
    public function rank(Module $module, int $item, Context $context): ?int
    {
        $bound = $module->bound($context);

        return $this->rankAmong($bound, $item, $context, $this->query->passing($bound, $context));
    }

    /** Where the record would stand likewise if it passed every rule up to the order. */
    public function hypotheticalRank(Module $module, int $item, Context $context): ?int
    {
        $bound = $module->bound($context);

        return $this->rankAmong($bound, $item, $context, $this->sources->allOfKind($bound->source, $context));
    }

    /**
     * One more than the records that are listed and do not come behind it: counted in one scan, since nothing need be
     * sorted for it.
     *
     * @param  Module  $module  bound
     * @param  Builder<Item>  $holder  what the record is looked for in
     */
    private function rankAmong(Module $module, int $item, Context $context, Builder $holder): ?int
    {
        $pins = $this->query->pins($module, $context)['ids'];
        $at = array_search($item, $pins, true);
        if ($at !== false) {
            return $at + 1;
        }
        $behind = $this->paginator->behind(
            $holder->where('items.id', $item)->toBase(),
            $this->orders->of($module, $context),
        );
        if ($behind === null) {
            return null;
        }
        $before = $this->query->passing($module, $context)
            ->whereNotIn('items.id', [...$pins, $item])
            ->whereRaw("({$behind->sql}) is not true", $behind->bindings)
            ->count();

        return count($pins) + $before + 1;
    }
}
