<?php

declare(strict_types=1);

namespace App\Listing;

use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Paging\Pages;
use Wellspring\Core\Run\Result;
use Wellspring\Core\Run\Step;
use Wellspring\Core\Run\Steps;
use Wellspring\Core\Who\Audience;

/** The run of a module on PostgreSQL: what ReferenceRun does in memory, without loading the records. */
final readonly class Listing
{
    public function __construct(private Compiler $compiler)
    {
    }

    /**
     * One page of records and the count after every step.
     *
     * @param  string  $page  as it is asked for, `1` for the first
     *
     * @throws NoSuchPage
     */
    public function run(Module $module, \DateTimeImmutable $now, Audience $viewer, string $page = '1'): Result
    {
        $steps = $this->steps($module, $now, $viewer);
        $pins = $this->pins($module, $now, $viewer);

        return $this->page($module, $now, $viewer, $page, $pins, $steps, end($steps)->left);
    }

    /**
     * The page alone, with its total and no steps: what a visitor needs.
     *
     * @throws NoSuchPage
     */
    public function show(Module $module, \DateTimeImmutable $now, Audience $viewer, string $page = '1'): Result
    {
        return $this->page(
            $module, $now, $viewer, $page,
            $this->pins($module, $now, $viewer),
            [],
            $this->stream($module, $now, $viewer)->count(),
        );
    }

    /** Where the item stands among all that the module shows, 1 first; null where it does not show. */
    public function placeOf(Module $module, int $item, \DateTimeImmutable $now, Audience $viewer): ?int
    {
        $pins = $this->pins($module, $now, $viewer)['ids'];
        $at = array_search($item, $pins, true);
        if ($at === false) {
            $query = $this->stream($module, $now, $viewer);
            if ($pins !== []) {
                $query->whereNotIn('items.id', $pins);
            }
            $order = array_map(fn (array $by): string => "{$by[0]->sql} {$by[1]}", $this->compiler->order($module));
            $bindings = array_merge(...array_map(fn (array $by): array => $by[0]->bindings, $this->compiler->order($module)));
            $ranked = $query->toBase()->select('items.id')->selectRaw('row_number() over (order by '.implode(', ', $order).') as place', $bindings);
            $place = DB::query()->fromSub($ranked, 'ranked')->where('id', $item)->value('place');
            $at = is_numeric($place) ? count($pins) + (int) $place - 1 : false;
        }
        if ($at === false || $at < $module->skip || $module->atMost !== null && $at >= $module->skip + $module->atMost) {
            return null;
        }

        return $at - $module->skip + 1;
    }

    /** How many records the module shows in all. */
    public function total(Module $module, \DateTimeImmutable $now, Audience $viewer): int
    {
        return $module->total($this->stream($module, $now, $viewer)->count() + $this->pins($module, $now, $viewer)['extra']);
    }

    /**
     * How many of the records that pass the conditions have nothing to show in each part of the card, and in any of them.
     *
     * @return array{parts: array<string, int>, any: int} parts by their place in the definition
     */
    public function emptyParts(Module $module, \DateTimeImmutable $now, Audience $viewer): array
    {
        $parts = $module->card->parts();
        $filters = array_values(array_map($this->compiler->partIsEmpty(...), $parts));
        $kept = $this->compiler->candidates($module, $now, $viewer);
        foreach ([...array_values($this->where($module)), $this->compiler->notLeftOut($module)] as $fragment) {
            $kept->whereRaw($fragment->sql, $fragment->bindings);
        }
        $counts = $this->countsWhere($kept, [...$filters, Fragment::any($filters)]);

        return ['parts' => array_combine(array_keys($parts), array_slice($counts, 0, -1)), 'any' => $counts[count($parts)]];
    }

    /**
     * The counts up to `empty`, all from one scan: every record is asked the rules in turn until one drops it,
     * and the records are counted by the rule that did.
     *
     * @return non-empty-list<Step>
     */
    private function steps(Module $module, \DateTimeImmutable $now, Audience $viewer): array
    {
        $rules = $this->where($module) + ['choices' => Fragment::true(), 'leaveOut' => $this->compiler->notLeftOut($module), 'empty' => $this->compiler->cardStands($module->card)];
        $cases = '';
        $bindings = [];
        foreach (array_values($rules) as $i => $rule) {
            if ($rule->sql !== 'true') {
                $cases .= " when ({$rule->sql}) is not true then {$i}";
                array_push($bindings, ...$rule->bindings);
            }
        }
        $droppedBy = $cases === '' ? '-1' : "case{$cases} else -1 end";
        $candidates = $this->compiler->candidates($module, $now, $viewer)->toBase()->selectRaw("{$droppedBy} as dropped_by", $bindings);
        $dropped = DB::query()->fromSub($candidates, 'asked')->selectRaw('dropped_by, count(*) as records')->groupBy('dropped_by')->pluck('records', 'dropped_by');

        $left = (int) $dropped->sum();
        $steps = [new Step('source', $left)];
        foreach (array_keys($rules) as $i => $name) {
            $left -= (int) ($dropped[$i] ?? 0);
            $steps[] = new Step($name, $left);
        }

        return $steps;
    }

    /**
     * @param  Builder<Item>  $query
     * @param  list<Fragment>  $filters
     * @return list<int> how many of the query's items each filter keeps
     */
    private function countsWhere(Builder $query, array $filters): array
    {
        $selects = [];
        $bindings = [];
        foreach ($filters as $i => $filter) {
            $selects[] = "count(*) filter (where {$filter->sql}) as c{$i}";
            array_push($bindings, ...$filter->bindings);
        }
        $row = (array) $query->toBase()->selectRaw(implode(', ', $selects), $bindings)->first();

        return array_map(fn (int $i): int => (int) (is_numeric($row["c{$i}"] ?? 0) ? $row["c{$i}"] ?? 0 : 0), array_keys($filters));
    }

    /**
     * @param  array{ids: list<int>, extra: int}  $pins
     * @param  list<Step>  $steps
     * @param  int  $passed  how many records are left after step 5
     */
    private function page(Module $module, \DateTimeImmutable $now, Audience $viewer, string $page, array $pins, array $steps, int $passed): Result
    {
        $total = $module->total($passed + $pins['extra']);
        $pages = new Pages(max(0, $total), $module->page->size);
        $number = $pages->number($page);

        $from = $module->skip + $pages->offset($number);
        $pinned = array_slice($pins['ids'], $from, $pages->on($number));
        $ids = [...$pinned, ...$this->rest($module, $now, $viewer, $pins['ids'], max(0, $from - count($pins['ids'])), $pages->on($number) - count($pinned))];

        return new Result($total, $pages->count, $number, $steps === [] ? [] : [...$steps, new Step('total', $total)], $ids);
    }

    /**
     * @param  list<int>  $pinned
     * @return list<int>
     */
    private function rest(Module $module, \DateTimeImmutable $now, Audience $viewer, array $pinned, int $from, int $count): array
    {
        if ($count <= 0) {
            return [];
        }
        $query = $this->stream($module, $now, $viewer)->offset($from)->limit($count);
        if ($pinned !== []) {
            $query->whereNotIn('items.id', $pinned);
        }
        foreach ($this->compiler->order($module) as [$by, $direction]) {
            $query->orderByRaw("{$by->sql} {$direction}", $by->bindings);
        }

        return array_values(array_map(intval(...), $query->toBase()->pluck('items.id')->all()));
    }

    /**
     * The pinned records that may show, in their order, and how many of them the conditions alone would not keep.
     *
     * @return array{ids: list<int>, extra: int}
     */
    private function pins(Module $module, \DateTimeImmutable $now, Audience $viewer): array
    {
        if ($module->pin === []) {
            return ['ids' => [], 'extra' => 0];
        }
        $query = $this->compiler->candidates($module, $now, $viewer)->whereIn('items.slug', $module->pin);
        foreach ([$this->compiler->notLeftOut($module), $this->compiler->cardStands($module->card)] as $fragment) {
            $query->whereRaw($fragment->sql, $fragment->bindings);
        }
        $where = Fragment::all(array_values($this->where($module)));
        $found = [];
        foreach ($query->toBase()->select(['items.id', 'items.slug'])->selectRaw("({$where->sql}) is true as passes", $where->bindings)->get() as $row) {
            $found[$row->slug] = $row;
        }
        $ids = [];
        $extra = 0;
        foreach ($module->pin as $slug) {
            if (isset($found[$slug])) {
                $ids[] = (int) $found[$slug]->id;
                $extra += $found[$slug]->passes ? 0 : 1;
            }
        }

        return ['ids' => $ids, 'extra' => $extra];
    }

    /** @return Builder<Item> what is left after step 5 */
    private function stream(Module $module, \DateTimeImmutable $now, Audience $viewer): Builder
    {
        $query = $this->compiler->candidates($module, $now, $viewer);
        foreach ([...array_values($this->where($module)), $this->compiler->notLeftOut($module), $this->compiler->cardStands($module->card)] as $fragment) {
            if ($fragment->sql !== 'true') {
                $query->whereRaw($fragment->sql, $fragment->bindings);
            }
        }

        return $query;
    }

    /** @return array<string, Fragment> by step name */
    private function where(Module $module): array
    {
        return array_map($this->compiler->rule(...), Steps::ofWhere($module->where));
    }
}
