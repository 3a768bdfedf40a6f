<?php

declare(strict_types=1);

namespace App\Listing;

use App\Listing\Compile\OrderSql;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\RecordKey;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;

/** Finds the headings of a listing, and the heading of each record. */
final readonly class HeadingCounter
{
    public function __construct(private Sources $sources, private OrderSql $orders, private ModuleQuery $query)
    {
    }

    /**
     * @param  list<RecordKey>  $pinned
     * @return array<string, int> by key, in order
     */
    public function counts(BoundModule $module, Context $context, array $pinned, int $total): array
    {
        $headings = $module->headings ?? throw new \LogicException('The module has headings.');
        $place = $this->orders->place($headings, $context);
        $query = $this->query->passing($module, $context)
            ->toBase()
            ->selectRaw("{$place->sql} as place", $place->bindings);
        RecordKeys::without($query, $module->source, ...$pinned);
        foreach ($this->orders->of($module, $context) as $by) {
            $query->orderByRaw($by->sql(), $by->by->bindings);
        }
        $skip = max(0, $module->skip - count($pinned));
        $shown = $total - max(0, count($pinned) - $module->skip);
        $rows = DB::query()
            ->fromSub($query->offset($skip)->limit(max(0, $shown)), 'listed')
            ->selectRaw('place, count(*) as records')
            ->groupBy('place')
            ->orderByRaw('place '.($module->headings->direction->value === 'up' ? 'asc' : 'desc').' nulls last')->get();
        $counts = [];
        foreach ($rows as $row) {
            $place = is_int($row->place) || is_string($row->place) ? $row->place : null;
            $counts[$headings->key($place)] = (int) $row->records;
        }

        return $counts;
    }

    /**
     * @param  list<RecordKey>  $keys
     * @return array<string, string> keys of headings by the records' keys as text
     */
    public function under(BoundModule $module, Context $context, array $keys): array
    {
        $headings = $module->headings ?? throw new \LogicException('The module has headings.');
        $place = $this->orders->place($headings, $context);
        $query = $this->sources->candidates($module->source, $context)->toBase();
        $rows = RecordKeys::only($query, $module->source, ...$keys)
            ->select(RecordKeys::columns($module->source))
            ->selectRaw("{$place->sql} as place", $place->bindings)
            ->get();
        $under = array_fill_keys(array_map(strval(...), $keys), '');
        foreach ($rows as $row) {
            $place = is_int($row->place) || is_string($row->place) ? $row->place : null;
            $under[(string) RecordKeys::ofRow($row)] = $headings->key($place);
        }

        return $under;
    }
}
