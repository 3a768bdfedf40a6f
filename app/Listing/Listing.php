<?php

declare(strict_types=1);

namespace App\Listing;

use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Paging\PageNumbers;
use Wellspring\Core\Paging\PagingMode;
use Wellspring\Core\Run\Result;
use Wellspring\Core\Run\Step;
use Wellspring\Core\Run\Steps;

/** The run of a module on PostgreSQL: what ReferenceRun does in memory, without loading the records. */
final readonly class Listing
{
    public function __construct(
        private Sources $sources,
        private Compiler $compiler,
        private OrderSql $orders,
        private KeysetPaginator $paginator,
    ) {
    }

    /**
     * One page of records and the count after every step.
     *
     * @param  string  $page  as it is asked for, `1` for the first
     *
     * @throws NoSuchPage
     */
    public function run(Module $module, Context $context, string $page = '1'): Result
    {
        return $this->look($module, $context, $page)->result;
    }

    /**
     * The same, and how many records have nothing to show in the parts of the card. A page that is not there is the
     * first.
     */
    public function lookAt(Module $module, Context $context, string $page): ListingWithGaps
    {
        try {
            return $this->look($module, $context, $page);
        } catch (NoSuchPage) {
            return $this->look($module, $context, '1');
        }
    }

    /**
     * The page alone, with its total and no steps: what a visitor needs.
     *
     * @param  CursorStore|null  $cursors  known places to walk from
     *
     * @throws NoSuchPage
     */
    public function show(Module $module, Context $context, string $page = '1', ?CursorStore $cursors = null): Result
    {
        $module = $module->bound($context);

        $pins = $this->pins($module, $context);

        if ($module->page->mode === PagingMode::Fixed) {
            // There is but one page: what stands on it is all there is to count.
            $ids = $this->slice($module, $context, $pins['ids'], $module->skip, $module->most() ?? 0, null);

            return $this->result($module, $context, $page, $pins['ids'], [], count($ids), $ids);
        }

        return $this->page($module, $context, $page, $pins, [], $this->passed($module, $context, $pins), $cursors);
    }

    /** How many records the module shows in all. */
    public function total(Module $module, Context $context): int
    {
        $module = $module->bound($context);
        $pins = $this->pins($module, $context);

        return $module->total($this->passed($module, $context, $pins) + $pins['extra']);
    }

    /**
     * Some of all that the module shows, in order.
     *
     * @param  int  $from  a place, 0 first
     * @return list<int> ids
     */
    public function some(Module $module, Context $context, int $from, int $count, ?CursorStore $cursors = null): array
    {
        $bound = $module->bound($context);
        $left = $bound->most() === null ? $count : max(0, min($count, $bound->most() - $from));

        return $this->slice(
            $bound,
            $context,
            $this->pins($bound, $context)['ids'],
            $bound->skip + $from,
            $left,
            $cursors,
        );
    }

    /**
     * Where the record stands among all that are listed, before the first are skipped and the rest is cut off: 1 first;
     * null where it does not pass.
     */
    public function standing(Module $module, int $item, Context $context): ?int
    {
        $bound = $module->bound($context);

        return $this->standingOf($bound, $item, $context, $this->stream($bound, $context));
    }

    /** Where the record would stand likewise if it passed every rule up to the order. */
    public function standingHadItPassed(Module $module, int $item, Context $context): ?int
    {
        $bound = $module->bound($context);

        return $this->standingOf($bound, $item, $context, $this->sources->kin($bound->source, $context));
    }

    /** @return Builder<Item> what reaches the rule of that name: the candidates that every earlier rule keeps */
    public function before(Module $module, Context $context, string $step): Builder
    {
        $module = $module->bound($context);
        $query = $this->sources->candidates($module->source, $context);
        foreach (Steps::ofWhere($module->where) as $name => $rule) {
            if ($name === $step) {
                break;
            }
            $this->keep($query, $this->compiler->rule($rule, $context));
        }

        return $query;
    }

    private function look(Module $module, Context $context, string $page): ListingWithGaps
    {
        $module = $module->bound($context);
        [$steps, $parts, $any] = $this->counts($module, $context);
        $result = $this->page(
            $module,
            $context,
            $page,
            $this->pins($module, $context),
            $steps,
            end($steps)->left,
            null,
        );

        return new ListingWithGaps($result, $parts, $any);
    }

    /**
     * The counts up to `empty`, all from one scan: every record is asked the rules in turn until one drops it, and the
     * records are counted by the rule that did. Beside them, of the records that pass the rules, how many have nothing
     * to show in each part of the card and in any.
     *
     * @param  Module  $module  bound
     * @return array{non-empty-list<Step>, array<string, int>, int}
     */
    private function counts(Module $module, Context $context): array
    {
        $rules = $this->where($module, $context) + [
            'choices' => Fragment::true(),
            'leaveOut' => $this->compiler->notLeftOut($module),
            'empty' => $this->compiler->cardStands($module->card, $context),
        ];
        $cases = '';
        $bindings = [];
        foreach (array_values($rules) as $i => $rule) {
            if ($rule->sql !== 'true') {
                $cases .= " when ({$rule->sql}) is not true then {$i}";
                array_push($bindings, ...$rule->bindings);
            }
        }
        $passes = count($rules);
        $asked = $this->sources->candidates($module->source, $context)
            ->toBase()
            ->selectRaw(($cases === '' ? "{$passes}" : "case{$cases} else {$passes} end").' as dropped_by', $bindings);
        $parts = array_map(
            fn (Part $part): Fragment => $this->compiler->partIsEmpty($part, $context),
            $module->card->parts(),
        );
        $empties = array_filter($parts, fn (Fragment $part): bool => $part->sql !== '(true) is not true');
        $columns = [];
        foreach (array_values($empties) as $i => $part) {
            $asked->selectRaw("({$part->sql}) as empty{$i}", $part->bindings);
            $columns[] = "empty{$i}";
        }
        // Asked once of each record: but for the offset, the database would write the question anew into every column
        // that speaks of it. Given as text it is known to skip nothing before the plan is made, so that workers share
        // the scan.
        $rows = DB::query()->fromRaw("({$asked->toSql()} offset '0') as asked", $asked->getBindings())
            ->selectRaw(implode(', ', [
                'dropped_by',
                'count(*) as records',
                ...array_map(fn (string $column): string => "count(*) filter (where {$column}) as {$column}", $columns),
                ...$columns === [] ? [] : ['count(*) filter (where '.implode(' or ', $columns).') as any'],
            ]))
            ->groupBy('dropped_by')->get()->keyBy('dropped_by');
        $count = fn (int $droppedBy, string $column): int => (int) ($rows->get($droppedBy)->{$column} ?? 0);

        $left = (int) $rows->sum('records');
        $steps = [new Step('source', $left)];
        foreach (array_keys($rules) as $n => $name) {
            $left -= $count($n, 'records');
            $steps[] = new Step($name, $left);
        }
        // Those that the empty-value rules left out have nothing to show either.
        $passing = [$passes, $passes - 1];
        $among = fn (string $column): int => array_sum(
            array_map(fn (int $droppedBy): int => $count($droppedBy, $column), $passing),
        );
        $found = [];
        foreach (array_keys($empties) as $n => $at) {
            $found[$at] = $among("empty{$n}");
        }

        return [$steps, $found + array_map(fn (Fragment $part): int => 0, $parts), $columns === [] ? 0 : $among('any')];
    }

    /**
     * @param  array{ids: list<int>, extra: int}  $pins
     * @param  list<Step>  $steps
     * @param  int  $passed  how many records are left after step 5
     */
    private function page(
        Module $module,
        Context $context,
        string $page,
        array $pins,
        array $steps,
        int $passed,
        ?CursorStore $cursors,
    ): Result {
        $total = $module->total($passed + $pins['extra']);
        $pages = new PageNumbers(max(0, $total), $module->page->size);
        $number = $pages->number($page);
        $ids = $this->slice(
            $module,
            $context,
            $pins['ids'],
            $module->skip + $pages->offset($number),
            $pages->on($number),
            $cursors,
        );

        return $this->result($module, $context, $page, $pins['ids'], $steps, $total, $ids);
    }

    /**
     * @param  list<int>  $pinned
     * @param  list<Step>  $steps
     * @param  list<int>  $ids  the page's
     *
     * @throws NoSuchPage
     */
    private function result(
        Module $module,
        Context $context,
        string $page,
        array $pinned,
        array $steps,
        int $total,
        array $ids,
    ): Result {
        $pages = new PageNumbers(max(0, $total), $module->page->size);

        return new Result(
            $total,
            $pages->count,
            $pages->number($page),
            $steps === [] ? [] : [...$steps, new Step('total', $total)],
            $ids,
            $module->headings === null ? [] : $this->headings($module, $context, $pinned, $total),
            $module->headings === null ? [] : $this->under($module, $context, array_values(array_diff($ids, $pinned))),
        );
    }

    /**
     * @param  list<int>  $pinned
     * @return list<int> the records from a place among all that are listed
     */
    private function slice(
        Module $module,
        Context $context,
        array $pinned,
        int $from,
        int $count,
        ?CursorStore $cursors,
    ): array {
        $first = array_slice($pinned, $from, $count);
        $left = $count - count($first);
        if ($left <= 0) {
            return $first;
        }
        $query = $this->stream($module, $context);
        if ($pinned !== []) {
            $query->whereNotIn('items.id', $pinned);
        }

        return [...$first, ...$this->paginator->ids($query->toBase(), $this->orders->of($module, $context), max(0, $from - count($pinned)), $left, $cursors)];
    }

    /**
     * @param  list<int>  $pinned
     * @return array<string, int> by key, in order
     */
    private function headings(Module $module, Context $context, array $pinned, int $total): array
    {
        $headings = $module->headings ?? throw new \LogicException('The module has headings.');
        $place = $this->orders->place($headings, $context);
        $query = $this->stream($module, $context)->toBase()->selectRaw("{$place->sql} as place", $place->bindings);
        if ($pinned !== []) {
            $query->whereNotIn('items.id', $pinned);
        }
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
            $counts[$headings->key(is_int($row->place) || is_string($row->place) ? $row->place : null)] = (int) $row->records;
        }

        return $counts;
    }

    /**
     * @param  list<int>  $ids
     * @return array<int, string> keys of headings by id
     */
    private function under(Module $module, Context $context, array $ids): array
    {
        $headings = $module->headings ?? throw new \LogicException('The module has headings.');
        $place = $this->orders->place($headings, $context);
        $rows = $this->sources->candidates($module->source, $context)
            ->toBase()
            ->whereIn('items.id', $ids)
            ->select('items.id')
            ->selectRaw("{$place->sql} as place", $place->bindings)
            ->get();
        $under = array_fill_keys($ids, '');
        foreach ($rows as $row) {
            $under[(int) $row->id] = $headings->key(is_int($row->place) || is_string($row->place) ? $row->place : null);
        }

        return $under;
    }

    /**
     * One more than the records that are listed and do not come behind it: counted in one scan, since nothing need be
     * sorted for it.
     *
     * @param  Module  $module  bound
     * @param  Builder<Item>  $holder  what the record is looked for in
     */
    private function standingOf(Module $module, int $item, Context $context, Builder $holder): ?int
    {
        $pins = $this->pins($module, $context)['ids'];
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
        $before = $this->stream($module, $context)
            ->whereNotIn('items.id', [...$pins, $item])
            ->whereRaw("({$behind->sql}) is not true", $behind->bindings)
            ->count();

        return count($pins) + $before + 1;
    }

    /**
     * The pinned records that may show, in their order, and how many of them the conditions alone would not keep.
     *
     * @return array{ids: list<int>, extra: int}
     */
    private function pins(Module $module, Context $context): array
    {
        if ($module->pin === []) {
            return ['ids' => [], 'extra' => 0];
        }
        $query = $this->sources->candidates($module->source, $context)->whereIn('items.slug', $module->pin);
        $this->keep($query, $this->compiler->notLeftOut($module), $this->compiler->cardStands($module->card, $context));
        $where = Fragment::all(array_values($this->where($module, $context)));
        $places = array_flip($module->pin);
        $rows = $query->toBase()
            ->select(['items.id', 'items.slug'])
            ->selectRaw("({$where->sql}) is true as passes", $where->bindings)
            ->get()
            ->sortBy(fn (object $row): array => [$places[$row->slug], $row->id]);

        return [
            'ids' => array_values(array_map(intval(...), $rows->pluck('id')->all())),
            'extra' => $rows->where('passes', false)->count(),
        ];
    }

    /**
     * @param  Module  $module  bound
     * @return Builder<Item> what is left after step 5
     */
    private function stream(Module $module, Context $context): Builder
    {
        $query = $this->sources->candidates($module->source, $context);
        $this->keep(
            $query,
            ...array_values($this->where($module, $context)),
            ...[$this->compiler->notLeftOut($module), $this->compiler->cardStands($module->card, $context)],
        );

        return $query;
    }

    /**
     * How many records are left after step 5; of a listing that shows but so many, no more are counted than can show.
     *
     * @param  Module  $module  bound
     * @param  array{ids: list<int>, extra: int}  $pins
     */
    private function passed(Module $module, Context $context, array $pins): int
    {
        $stream = $this->stream($module, $context);
        if ($module->most() === null) {
            return $stream->count();
        }

        return DB::query()
            ->fromSub(
                $stream->toBase()->selectRaw('1')->limit($module->skip + $module->most() + count($pins['ids'])),
                'listed',
            )
            ->count();
    }

    /** @param  Builder<Item>  $query */
    private function keep(Builder $query, Fragment ...$rules): void
    {
        foreach ($rules as $rule) {
            if ($rule->sql !== 'true') {
                $query->whereRaw("({$rule->sql})", $rule->bindings);
            }
        }
    }

    /** @return array<string, Fragment> by step name */
    private function where(Module $module, Context $context): array
    {
        return array_map(
            fn ($rule): Fragment => $this->compiler->rule($rule, $context),
            Steps::ofWhere($module->where),
        );
    }
}
