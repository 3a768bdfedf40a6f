<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Filter\ValueLists;
use Wellspring\Core\Filter\WiderValue;
use Wellspring\Core\Wording\Format;

/** Compares a record's values with a list: any, all or none of them. “None of” keeps records without a value. */
abstract readonly class Among implements Test
{
    use ValueTest;

    public function __construct(public Quantifier $quantifier)
    {
    }

    public function key(): string
    {
        return $this->quantifier->value;
    }

    public function wantsValue(): bool
    {
        return true;
    }

    public function isNegative(): bool
    {
        return $this->quantifier === Quantifier::None;
    }

    public function valueSchema(): array
    {
        return ['type' => 'array', 'minItems' => 1, 'items' => ['type' => 'string']];
    }

    public function keeps(mixed $found, BoundCondition $condition, Context $context): bool
    {
        $has = ValueLists::texts($found);

        return $this->quantifier->holds(
            array_map(fn (string $one): bool => in_array($one, $has, true), ValueLists::texts($condition->value)),
        );
    }

    /** The list with one more of the record's values, or without those that drop the record. */
    protected function widenedList(mixed $found, BoundCondition $condition, Context $context): ?WiderValue
    {
        $given = ValueLists::texts($condition->value);
        if ($this->quantifier === Quantifier::Any) {
            $more = array_slice(ValueLists::texts($found), 0, 1);

            return $more === []
                ? null
                : new WiderValue('Also keep '.$condition->field->choiceLabel($more[0]), [...$given, ...$more]);
        }
        // If terms include those below them, a term above the record's own drops it too.
        $dropping = array_values(array_filter(
            $this->quantifier === Quantifier::None ? $given : [],
            fn (string $one): bool => ! $this->keeps($found, $condition->withValue([$one]), $context),
        ));
        $left = array_values(array_diff($given, $dropping));
        $labels = implode(' and ', array_map($condition->field->choiceLabel(...), $dropping));

        return $dropping === [] || $left === [] ? null : new WiderValue("No longer drop {$labels}", $left);
    }

    public function words(Condition $condition): string
    {
        return $this->quantifier->words($condition->value);
    }

    public function valueWords(Condition $condition, Format $format): string
    {
        return implode(', ', array_map($condition->field->choiceLabel(...), ValueLists::texts($condition->value)));
    }
}
