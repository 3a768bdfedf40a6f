<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\ValueLists;
use Wellspring\Core\Filter\WiderValue;

/** Choices compared with a list. “None of” keeps records without a choice. */
final readonly class ChoiceAmong extends Among
{
    public function suits(Family $family): bool
    {
        return $family === Family::Choices || $family === Family::Choice && $this->quantifier !== Quantifier::All;
    }

    /** @return non-empty-list<string> */
    public function readValue(mixed $value, Field $field): array
    {
        return ValueLists::known(
            $value,
            array_map(strval(...), array_keys($field->choices)),
            "choices of {$field->label}",
        );
    }

    public function widened(mixed $found, BoundCondition $condition, Context $context): ?WiderValue
    {
        return $this->widenedList($found, $condition, $context);
    }
}
