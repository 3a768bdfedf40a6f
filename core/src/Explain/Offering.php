<?php

declare(strict_types=1);

namespace Wellspring\Core\Explain;

use Wellspring\Core\Arrangement\ListArrangement;
use Wellspring\Core\Choice\FilterControls;
use Wellspring\Core\Choice\OfferedFilter;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Filter\Test\YesOrNo;
use Wellspring\Core\Filter\Tests;
use Wellspring\Core\Filter\Value\DynamicValue;
use Wellspring\Core\Filter\Value\FromAddress;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Paging\PagingRule;
use Wellspring\Core\Run\Steps;

/** Turns a rule of a module into a choice for visitors, and back. */
final class Offering
{
    private function __construct()
    {
    }

    /**
     * The definition with a rule as a choice: a condition becomes a filter; the order, the page size and the
     * arrangement become the first of several.
     *
     * @param  string  $rule  its place: `where.all[0]`, `order`, `page`, `arrange`
     * @return array<string, mixed>|null null where it cannot be chosen
     */
    public static function offered(Module $module, string $rule): ?array
    {
        if ($module->follows !== null) {
            return null;
        }
        $definition = $module->toArray();
        $offer = $module->offer?->toArray() ?? ['key' => $module->key];

        return match ($rule) {
            'order' => ($offer['orders'] ?? []) === [] ? self::with($definition, $offer, 'orders', [
                ['key' => 'ours', 'name' => 'In our order', 'order' => $definition['order']],
                ['key' => 'a-to-z', 'name' => 'A to Z', 'order' => [['by' => 'title']]],
            ]) : null,
            'page' => ($offer['sizes'] ?? []) === [] ? self::with($definition, $offer, 'sizes', [
                $module->page->size, min(PagingRule::MAX_SIZE, 2 * $module->page->size),
            ]) : null,
            'arrange' => ($offer['arrangements'] ?? []) === [] ? self::with($definition, $offer, 'arrangements', [
                $module->arrange::key() === ListArrangement::key()
                    ? ['key' => 'grid', 'name' => 'Grid', 'arrange' => ['as' => 'grid']]
                    : ['key' => 'list', 'name' => 'List', 'arrange' => ['as' => 'list']],
            ]) : null,
            default => self::conditionOffered($module, $definition, $offer, $rule),
        };
    }

    /**
     * The definition with a filter as a rule again: the current choice in the context, or the nearest rule.
     *
     * @param  int  $filter  its position in the offer
     * @return array<string, mixed>|null null where there is no such filter
     */
    public static function kept(Module $module, int $filter, Context $context): ?array
    {
        $offered = $module->offer->filters[$filter] ?? null;
        if ($offered === null) {
            return null;
        }
        $rule = $module->bound($context)->chosen->of($offered)->rule ?? self::closest($offered);
        $definition = $module->toArray();
        unset($definition['offer']['filters'][$filter]);
        $definition['offer']['filters'] = array_values($definition['offer']['filters'] ?? []);
        $where = $definition['where'] ?? ['all' => []];
        $definition['where'] = isset($where['all']) && ! ($where['off'] ?? false)
            ? ['all' => [...$where['all'], $rule->toArray()]]
            : ['all' => [$where, $rule->toArray()]];

        return self::withoutNothing($definition);
    }

    /**
     * @param  array<string, mixed>  $definition
     * @param  array<string, mixed>  $offer
     * @return array<string, mixed>|null
     */
    private static function conditionOffered(Module $module, array $definition, array $offer, string $rule): ?array
    {
        foreach (Steps::ofWhere($module->where) as $i => $counted) {
            if ((string) $counted->name !== $rule || $rule === 'where') {
                continue;
            }
            $filter = self::filterOf($counted->rule);
            if ($filter === null) {
                return null;
            }
            $names = array_map(fn (OfferedFilter $one): string => $one->name, $module->offer->filters ?? []);
            $name = $filter['name'] ?? $filter['field'];
            for ($n = 2; in_array($name, $names, true); $n++) {
                $name = "{$filter['field']}-{$n}";
            }
            $filter = ($name === $filter['field'] ? [] : ['name' => $name]) + $filter;
            $rest = $definition['where']['all'];
            unset($rest[$i], $definition['where']);
            if ($rest !== []) {
                $definition['where'] = ['all' => array_values($rest)];
            }

            return self::with($definition, $offer, 'filters', [...$offer['filters'] ?? [], $filter]);
        }

        return null;
    }

    /** @return array<string, mixed>|null the filter by which visitors choose what the rule asks */
    private static function filterOf(Condition|Group $rule): ?array
    {
        $asked = $rule instanceof Group ? $rule->conditions()[0] ?? null : $rule;
        $field = $asked?->field;
        if ($asked === null || $field === null || $field->through !== null || $rule->off) {
            return null;
        }
        $only = ['field' => $field->key, 'as' => 'only', 'rule' => $rule->toArray()];
        if ($rule instanceof Group) {
            return $only;
        }
        $suiting = FilterControls::suiting($field);
        $as = match ($field->family()) {
            Family::Terms => $field->taxonomy?->tree === true ? 'tree' : 'checks',
            Family::Choice, Family::Choices => 'checks',
            // “In stock” becomes a check box, “from 3 to 10” a range.
            Family::Number => in_array($rule->value, [0, 1, true], true) ? 'only' : 'range',
            Family::Date, Family::Instant => 'dates',
            Family::YesNo => 'yesNo',
            Family::Words => 'search',
            Family::Place => 'near',
            default => 'only',
        };
        if ($as === 'only' || ! in_array($as, $suiting, true) || $rule->test->isNegative()) {
            return $rule->value instanceof DynamicValue ? null : $only;
        }

        return ['field' => $field->key, 'as' => $as]
            + ($rule->test->key() === 'allOf' ? ['join' => 'all'] : [])
            + ($rule->test instanceof YesOrNo ? ['options' => [$rule->test->key()]] : []);
    }

    private static function closest(OfferedFilter $filter): Condition|Group
    {
        $options = array_keys($filter->options());

        return match (true) {
            $filter->rule !== null => $filter->rule,
            $filter->field->family() === Family::YesNo => $filter->read((string) $options[0])->rule
                ?? throw new \LogicException('The first option can be chosen.'),
            $filter->field->family() === Family::Words => new Condition(
                $filter->field,
                Tests::for(Family::Words)[0],
                new FromAddress('q'),
            ),
            default => new Condition(
                $filter->field,
                Tests::find('filled', $filter->field->family())
                    ?? throw new \LogicException('Whether there is a value can be asked.'),
            ),
        };
    }

    /**
     * @param  array<string, mixed>  $definition
     * @param  array<string, mixed>  $offer
     * @return array<string, mixed>
     */
    private static function with(array $definition, array $offer, string $key, mixed $value): array
    {
        return ['offer' => [$key => $value] + $offer] + $definition;
    }

    /**
     * @param  array<string, mixed>  $definition
     * @return array<string, mixed> without an offer of nothing
     */
    private static function withoutNothing(array $definition): array
    {
        $offer = array_filter($definition['offer'], fn (mixed $said): bool => $said !== []);
        unset($definition['offer']);

        return array_intersect_key($offer, array_flip(['filters', 'orders', 'sizes', 'arrangements'])) === []
            ? $definition
            : $definition + ['offer' => $offer];
    }
}
