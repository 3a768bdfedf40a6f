<?php

declare(strict_types=1);

namespace Wellspring\Core\Explain;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Join;
use Wellspring\Core\Filter\Value\DynamicValue;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Paging\PagingMode;
use Wellspring\Core\Paging\PagingRule;
use Wellspring\Core\Run\StepKind;

/**
 * Suggests changes of a module so that it shows a record, or no longer shows it. Each suggestion is a whole definition.
 */
final class Suggestions
{
    /**
     * @param  int|null  $rank  its rank among all listed records, 1 first; null: it does not pass
     * @return list<array{words: string, definition: array<string, mixed>}>
     */
    public static function of(Module $module, Record $record, Trace $trace, ?int $rank, Context $context): array
    {
        $definition = $module->toArray();
        $record = $record->seenThrough($context->visibility());
        if ($module->bound($context)->place($rank) !== null) {
            return [
                ...$trace->isPinned
                    ? [
                        self::way(
                            'Unpin it',
                            ['pin' => array_values(array_diff($module->pin, [$record->slug]))] + $definition,
                        ),
                    ]
                    : self::pinned('Pin it to the top', $module, $record, $definition),
                self::way('Leave it out by hand', ['leaveOut' => [...$module->leaveOut, $record->slug]] + $definition),
            ];
        }
        $failed = array_values(array_filter($trace->steps, fn (TraceStep $step): bool => $step->passed === false));
        $ways = [];
        foreach ($failed as $step) {
            if ($step->step->index !== null) {
                array_push($ways, ...self::ofRule($module, $step->step->index, $record, $definition, $context));
            } elseif ($step->step->kind === StepKind::Choices) {
                $ways[] = self::withoutFilters($module, $record, $definition, $context);
            } elseif ($step->step->kind === StepKind::LeaveOut) {
                $ways[] = self::way(
                    'Leave it out no longer',
                    ['leaveOut' => array_values(array_diff($module->leaveOut, [$record->slug]))] + $definition,
                );
            }
        }
        $rulesAlone = array_filter(
            $failed,
            fn (TraceStep $step): bool => ! $step->step->isWhere(),
        ) === [];
        if ($rulesAlone && $failed !== [] && ! $trace->isPinned) {
            array_push($ways, ...self::pinned('Pin it to the top, past the rules', $module, $record, $definition));
        }

        return $rank === null ? $ways : [...$ways, ...self::ofLimits($module, $record, $rank, $definition)];
    }

    /**
     * Without the filters that exclude the record.
     *
     * @param  array<string, mixed>  $definition
     * @return array{words: string, definition: array<string, mixed>}
     */
    private static function withoutFilters(Module $module, Record $record, array $definition, Context $context): array
    {
        $offer = $module->offer?->toArray() ?? [];
        $labels = [];
        foreach ($module->bound($context)->chosen->filters as $chosen) {
            $at = array_search($chosen->filter, $module->offer->filters ?? [], true);
            if (is_int($at) && ! $chosen->rule->keeps($record, $context)) {
                $labels[] = $chosen->filter->label();
                unset($offer['filters'][$at]);
            }
        }
        $offer['filters'] = array_values($offer['filters'] ?? []);

        return self::way('Let visitors no longer choose '.implode(', ', $labels), ['offer' => $offer] + $definition);
    }

    /**
     * For a record that passes every rule but is skipped or beyond the limit.
     *
     * @param  array<string, mixed>  $definition
     * @return list<array{words: string, definition: array<string, mixed>}>
     */
    private static function ofLimits(Module $module, Record $record, int $rank, array $definition): array
    {
        if ($rank <= $module->skip) {
            return [self::way(
                'Skip '.($rank === 1 ? 'none' : 'only the first '.($rank - 1)),
                ['skip' => $rank - 1] + $definition,
            )];
        }
        $wanted = $rank - $module->skip;
        $fixed = $module->page->mode === PagingMode::Fixed;
        $more = $module->atMost !== null && $module->atMost < $wanted ? ['atMost' => $wanted] : [];
        if ($fixed && $module->page->size < $wanted) {
            $more['page'] = ['size' => $wanted] + $module->page->toArray();
        }
        $all = $fixed ? ['page' => ['mode' => PagingMode::Numbered->value] + $module->page->toArray()] : [];

        return [
            ...$fixed && $wanted > PagingRule::MAX_SIZE ? [] : [self::way("Show {$wanted}", $more + $definition)],
            self::way(
                'Show all'.($fixed ? ', on numbered pages' : ''),
                $all + array_diff_key($definition, ['atMost' => 0]),
            ),
            ...self::pinned('Pin it to the top', $module, $record, $definition),
        ];
    }

    /**
     * Pinned after the other pinned records; nothing if it would be skipped or beyond the limit there.
     *
     * @param  array<string, mixed>  $definition
     * @return list<array{words: string, definition: array<string, mixed>}>
     */
    private static function pinned(string $words, Module $module, Record $record, array $definition): array
    {
        $shows = $module->skip === 0
            && count($module->pin) < ($module->displayLimit() ?? PHP_INT_MAX)
            && ! in_array($record->slug, $module->pin, true);

        return $shows ? [self::way($words, ['pin' => [...$module->pin, $record->slug]] + $definition)] : [];
    }

    /**
     * @param  array<string, mixed>  $definition
     * @return list<array{words: string, definition: array<string, mixed>}>
     */
    private static function ofRule(
        Module $module,
        int $index,
        Record $record,
        array $definition,
        Context $context,
    ): array {
        $rule = $module->where?->join === Join::All ? $module->where->members[$index] ?? null : null;
        if ($rule === null) {
            return [];
        }
        $with = function (array $changed) use ($definition, $index): array {
            $where = is_array($definition['where'] ?? null) ? $definition['where'] : ['all' => []];
            $where['all'][$index] = $changed;

            return ['where' => $where] + $definition;
        };
        $ways = [];
        if ($rule instanceof Condition) {
            $bound = $rule->bound($context);
            $found = $rule->field->through === null && ! $rule->test->asksRecord()
                ? $record->value($rule->field)
                : null;
            // Values from the page, the viewer or the address cannot be changed here.
            $wider = $found === null || $rule->value instanceof DynamicValue
                ? null
                : $rule->test->widened($found, $bound, $context);
            if ($wider !== null && $bound->withValue($wider->value)->keeps($record, $context)) {
                $ways[] = self::way($wider->words, $with(['value' => $wider->value] + $rule->toArray()));
            }
        }
        $name = $rule instanceof Condition ? "the rule on {$rule->field->label}" : 'the group of rules';
        $ways[] = self::way("Switch off {$name}", $with(['off' => true] + $rule->toArray()));

        return $ways;
    }

    /**
     * @param  array<string, mixed>  $definition
     * @return array{words: string, definition: array<string, mixed>}
     */
    private static function way(string $words, array $definition): array
    {
        return ['words' => $words, 'definition' => $definition];
    }
}
