<?php

declare(strict_types=1);

namespace App\Listing\Paging;

use App\Listing\Compile\OrderSql;
use App\Listing\ModuleQuery;
use App\Listing\RecordKeys;
use App\Listing\Sources;
use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Wellspring\Core\Content\RecordKey;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Module\Module;

/** Finds the rank of one record among all records of a module, without listing them. */
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
     * The record's rank before the first ones are skipped and the rest is cut off, 1 first; null if it does not pass.
     */
    public function rank(Module $module, RecordKey $record, Context $context): ?int
    {
        $bound = $module->bound($context);

        return $this->rankAmong($bound, $record, $context, $this->query->passing($bound, $context));
    }

    /** The rank that the record would have if it passed every rule up to the order. */
    public function hypotheticalRank(Module $module, RecordKey $record, Context $context): ?int
    {
        $bound = $module->bound($context);

        return $this->rankAmong($bound, $record, $context, $this->sources->allOfKind($bound->source, $context));
    }

    /**
     * One more than the number of records before it. One scan counts them, because nothing has to be sorted.
     *
     * @param  Builder<Item>  $holder  the query that contains the record
     */
    private function rankAmong(BoundModule $module, RecordKey $record, Context $context, Builder $holder): ?int
    {
        $pins = $this->query->pins($module, $context)['keys'];
        foreach ($pins as $at => $pin) {
            if ($pin->equals($record)) {
                return $at + 1;
            }
        }
        $behind = $this->paginator->behind(
            RecordKeys::only($holder->toBase(), $module->source, $record),
            $this->orders->of($module, $context),
        );
        if ($behind === null) {
            return null;
        }
        $passing = $this->query->passing($module, $context)->toBase();
        $before = RecordKeys::without($passing, $module->source, $record, ...$pins)
            ->whereRaw("({$behind->sql}) is not true", $behind->bindings)
            ->count();

        return count($pins) + $before + 1;
    }
}
