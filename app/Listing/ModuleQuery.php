<?php

declare(strict_types=1);

namespace App\Listing;

use App\Database\PostgresArray;
use App\Listing\Compile\Compiler;
use App\Listing\Compile\Fragment;
use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Content\RecordKey;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Run\CountedRule;
use Wellspring\Core\Run\Steps;

/** The queries of a module: the records that pass its rules, the pinned ones, and the counts. */
final readonly class ModuleQuery
{
    public function __construct(private Sources $sources, private Compiler $compiler)
    {
    }

    /**
     * @return Builder<Item> what is left after step 5
     */
    public function passing(BoundModule $module, Context $context): Builder
    {
        $query = $this->sources->candidates($module->source, $context);
        $this->keep(
            $query,
            ...$this->conditions($module, $context),
            ...$this->afterWhere($module, $context),
        );

        return $query;
    }

    /**
     * @return Builder<Item> what would be left after step 5, pins included, had the visitor chosen nothing
     */
    public function unchosen(BoundModule $module, Context $context): Builder
    {
        $query = $this->sources->candidates($module->source, $context);
        $where = Fragment::all($this->conditions($module, $context));
        $this->keep(
            $query,
            $module->pin === [] || $where->sql === 'true' ? $where : Fragment::any([
                $where,
                new Fragment('items.slug = any(?::text[])', [PostgresArray::literal($module->pin)]),
            ]),
            $this->compiler->notLeftOut($module),
            $this->compiler->cardIsListed($module->shownCard, $context),
        );

        return $query;
    }

    /** @return Builder<Item> those that pass the rules before the empty-value rules and have nothing for the part */
    public function lacking(Module $module, Part $part, Context $context): Builder
    {
        $module = $module->bound($context);
        $query = $this->sources->candidates($module->source, $context);
        $this->keep(
            $query,
            ...$this->conditions($module, $context),
            ...[
                $this->compiler->isChosen($module, $context),
                $this->compiler->notLeftOut($module),
                $this->compiler->partIsEmpty($part, $context),
            ],
        );

        return $query;
    }

    /** @return Builder<Item> what reaches the rule of that name: the candidates that every earlier rule keeps */
    public function reaching(Module $module, Context $context, string $step): Builder
    {
        $module = $module->bound($context);
        $query = $this->sources->candidates($module->source, $context);
        foreach (Steps::ofWhere($module->where) as $counted) {
            if ((string) $counted->name === $step) {
                break;
            }
            $this->keep($query, $this->compiler->rule($counted->rule, $context));
        }

        return $query;
    }

    /**
     * The pinned records that may show, in their order, and how many of them the conditions alone would drop.
     *
     * @return array{keys: list<RecordKey>, extra: int}
     */
    public function pins(BoundModule $module, Context $context): array
    {
        if ($module->pin === []) {
            return ['keys' => [], 'extra' => 0];
        }
        $query = $this->sources->candidates($module->source, $context)->whereIn('items.slug', $module->pin);
        $this->keep($query, ...$this->afterWhere($module, $context));
        $where = Fragment::all($this->conditions($module, $context));
        $places = array_flip($module->pin);
        $rows = $query->toBase()
            ->select([...RecordKeys::columns($module->source), 'items.slug'])
            ->selectRaw("({$where->sql}) is true as passes", $where->bindings)
            ->get()
            ->sortBy(fn (object $row): array => [$places[$row->slug], $row->id, $row->starts_at ?? '']);

        return [
            'keys' => RecordKeys::of($rows->values()),
            'extra' => $rows->where('passes', false)->count(),
        ];
    }

    /**
     * The number of records after step 5. Limited listings stop counting at the limit.
     *
     * @param  array{keys: list<RecordKey>, extra: int}  $pins
     */
    public function count(BoundModule $module, Context $context, array $pins): int
    {
        $passing = $this->passing($module, $context);
        if ($module->displayLimit() === null) {
            return $passing->count();
        }

        return DB::query()
            ->fromSub(
                $passing->toBase()
                    ->selectRaw('1')
                    ->limit($module->skip + $module->displayLimit() + count($pins['keys'])),
                'listed',
            )
            ->count();
    }

    /** @return list<Fragment> the manager's conditions, each that is counted on its own */
    public function conditions(BoundModule $module, Context $context): array
    {
        return array_map(
            fn (CountedRule $counted): Fragment => $this->compiler->rule($counted->rule, $context),
            Steps::ofWhere($module->where),
        );
    }

    /** @return list<Fragment> steps 3 to 5, which pinned records have to pass, too */
    private function afterWhere(BoundModule $module, Context $context): array
    {
        return [
            $this->compiler->isChosen($module, $context),
            $this->compiler->notLeftOut($module),
            $this->compiler->cardIsListed($module->shownCard, $context),
        ];
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
}
