<?php

declare(strict_types=1);

namespace Wellspring\Core\Explain;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Join;
use Wellspring\Core\Filter\Test\Between;
use Wellspring\Core\Filter\Test\ChoiceAmong;
use Wellspring\Core\Filter\Test\Quantifier;
use Wellspring\Core\Filter\Test\TermsAmong;
use Wellspring\Core\Filter\Value\DynamicValue;
use Wellspring\Core\Filter\ValueLists;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Paging\PagingMode;
use Wellspring\Core\Paging\PagingRule;
use Wellspring\Core\Run\StepKind;

/**
 * How a module could be changed so that it shows a record which it does not, or no longer shows one that it does: each
 * a whole definition.
 */
final class Suggestions
{
    /**
     * @param  int|null  $rank  where it stands among all that are listed, 1 first; null: it does not pass
     * @return list<array{words: string, definition: array<string, mixed>}>
     */
    public static function of(Module $module, Record $record, Trace $trace, ?int $rank, Context $context): array
    {
        $definition = $module->toArray();
        $record = $record->seenThrough($context->visibility());
        if ($module->place($rank) !== null) {
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
     * For what passes every rule, but is skipped or stands behind the last that shows.
     *
     * @param  array<string, mixed>  $definition
     * @return list<array{words: string, definition: array<string, mixed>}>
     */
    private static function ofLimits(Module $module, Record $record, int $rank, array $definition): array
    {
        if ($rank <= $module->skip) {
            return [self::way('Skip '.($rank === 1 ? 'none' : 'only the first '.($rank - 1)), ['skip' => $rank - 1] + $definition)];
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
     * Pinned behind those that are; nothing where it would be skipped or cut off there.
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
            $wider = self::wider($rule, $record, $context);
            if ($wider !== null && self::with($rule, $wider['value'])->keeps($record, $context)) {
                $ways[] = self::way($wider['words'], $with(['value' => $wider['value']] + $rule->toArray()));
            }
        }
        $name = $rule instanceof Condition ? "the rule on {$rule->field->label}" : 'the group of rules';
        $ways[] = self::way("Switch off {$name}", $with(['off' => true] + $rule->toArray()));

        return $ways;
    }

    /** @return array{words: string, value: mixed}|null a value with which the rule should keep the record */
    private static function wider(Condition $rule, Record $record, Context $context): ?array
    {
        $found = $rule->field->through === null ? $record->value($rule->field) : null;
        $listed = $rule->test instanceof ChoiceAmong || $rule->test instanceof TermsAmong
            ? $rule->test->quantity
            : null;
        // What the page, the viewer or the address gives is theirs to say.
        if ($found === null || $rule->value instanceof DynamicValue || ! is_array($rule->value) && $listed !== null) {
            return null;
        }
        if ($listed === Quantifier::Any) {
            $more = array_slice(ValueLists::texts($found), 0, 1);

            return $more === []
                ? null
                : [
                    'words' => 'Also keep '.$rule->field->choiceLabel($more[0]),
                    'value' => [...ValueLists::texts($rule->value), ...$more],
                ];
        }
        if ($listed === Quantifier::None) {
            // With all below a term, one above the record's own drops it too.
            $dropping = array_values(
                array_filter(
                    ValueLists::texts($rule->value),
                    fn (string $one): bool => ! self::with($rule, [$one])->keeps($record, $context),
                ),
            );
            $left = array_values(array_diff(ValueLists::texts($rule->value), $dropping));

            return $left === []
                ? null
                : [
                    'words' => 'No longer drop '.implode(' and ', array_map($rule->field->choiceLabel(...), $dropping)),
                    'value' => $left,
                ];
        }
        if (
            (is_int($found) || is_float($found))
            && ! is_array($rule->value)
            && in_array($rule->test->key(), ['lt', 'lte', 'gt', 'gte'], true)
        ) {
            $exclusive = $rule->test->key() === 'lt' ? 1 : ($rule->test->key() === 'gt' ? -1 : 0);

            return ['words' => 'Move the limit to '.json_encode($found + $exclusive), 'value' => $found + $exclusive];
        }
        if ((is_int($found) || is_float($found)) && $rule->test instanceof Between && is_array($rule->value)) {
            [$from, $to] = $rule->value;

            return ['words' => 'Widen the range to '.json_encode($found), 'value' => [min($from, $found), max($to, $found)]];
        }

        return null;
    }

    private static function with(Condition $rule, mixed $value): Condition
    {
        return new Condition($rule->field, $rule->test, $value, $rule->below);
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
