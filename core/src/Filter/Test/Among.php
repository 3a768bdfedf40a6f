<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Filter\ValueLists;
use Wellspring\Core\Wording\Format;

/** What a record has against a list of values: any, all or none of them. “None of” keeps records that have nothing. */
abstract readonly class Among implements Test
{
    public function __construct(public Quantifier $quantity)
    {
    }

    public function key(): string
    {
        return $this->quantity->value;
    }

    public function wantsValue(): bool
    {
        return true;
    }

    public function isNegative(): bool
    {
        return $this->quantity === Quantifier::None;
    }

    public function keeps(mixed $found, Condition $condition, Context $context): bool
    {
        $has = ValueLists::texts($found);

        return $this->quantity->holds(
            array_map(fn (string $one): bool => in_array($one, $has, true), ValueLists::texts($condition->value)),
        );
    }

    public function words(Condition $condition): string
    {
        return $this->quantity->words($condition->value);
    }

    public function valueWords(Condition $condition, Format $format): string
    {
        return implode(', ', array_map($condition->field->choiceLabel(...), ValueLists::texts($condition->value)));
    }
}
