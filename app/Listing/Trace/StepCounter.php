<?php

declare(strict_types=1);

namespace App\Listing\Trace;

use App\Listing\Compile\Compiler;
use App\Listing\Compile\Fragment;
use App\Listing\ModuleQuery;
use App\Listing\Sources;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Run\CountedRule;
use Wellspring\Core\Run\Step;
use Wellspring\Core\Run\StepKind;
use Wellspring\Core\Run\StepName;
use Wellspring\Core\Run\Steps;

/** Counts the records after every step of a run. */
final readonly class StepCounter
{
    public function __construct(
        private Sources $sources,
        private Compiler $compiler,
        private ModuleQuery $query,
    ) {
    }

    /**
     * The counts up to `empty`, from one scan: each record is tested until a rule drops it, and records are grouped by
     * that rule. Of the passing records, the query also counts those that have nothing to show in each part of the card
     * and in any part.
     *
     * @return array{non-empty-list<Step>, array<string, int>, int}
     */
    public function count(BoundModule $module, Context $context): array
    {
        $names = array_map(fn (CountedRule $counted): StepName => $counted->name, Steps::ofWhere($module->where));
        $rules = $this->query->conditions($module, $context);
        foreach ([
            [StepKind::Choices, $this->compiler->isChosen($module, $context)],
            [StepKind::LeaveOut, $this->compiler->notLeftOut($module)],
            [StepKind::Empty, $this->compiler->cardIsListed($module->shownCard, $context)],
        ] as [$kind, $rule]) {
            $names[] = StepName::of($kind);
            $rules[] = $rule;
        }
        $cases = '';
        $bindings = [];
        foreach ($rules as $i => $rule) {
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
            $module->shownCard->fillable(),
        );
        $empties = array_filter($parts, fn (Fragment $part): bool => $part->sql !== '(true) is not true');
        $columns = [];
        foreach (array_values($empties) as $i => $part) {
            $asked->selectRaw("({$part->sql}) as empty{$i}", $part->bindings);
            $columns[] = "empty{$i}";
        }
        // Each record is tested once. Without the OFFSET, PostgreSQL would copy the expression to every column that
        // uses it. As a literal, the offset is known to be 0 before planning, so parallel workers can share the scan.
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
        $steps = [new Step(StepName::of(StepKind::Source), $left)];
        foreach ($names as $n => $name) {
            $left -= $count($n, 'records');
            $steps[] = new Step($name, $left);
        }
        // Records that the empty-value rules leave out have gaps as well.
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
}
