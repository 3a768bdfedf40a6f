<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\ValueLists;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Text\Whitespace;
use Wellspring\Core\Wording\Format;

/** A whole text compared with a list, ignoring case and accents. “None of” keeps records without text. */
final readonly class TextAmong extends Among
{
    public function suits(Family $family): bool
    {
        return $this->quantifier !== Quantifier::All && ($family === Family::Text || $family === Family::LongText);
    }

    /** @return non-empty-list<string> */
    public function readValue(mixed $value, Field $field): array
    {
        return ValueLists::list($value, 'texts', fn (mixed $one): string => Whitespace::trim(TextMatch::given($one)));
    }

    /** @return list<string> the given texts in the form in which they are compared */
    public function needles(Condition $condition): array
    {
        return array_map(Fold::of(...), ValueLists::texts($condition->value));
    }

    public function keeps(mixed $found, BoundCondition $condition, Context $context): bool
    {
        return (
            is_string($found)
            && in_array(TextMatch::found($found, $condition->field), $this->needles($condition), true)
        ) !== $this->isNegative();
    }

    public function valueWords(Condition $condition, Format $format): string
    {
        return implode(', ', array_map(fn (string $text): string => "“{$text}”", ValueLists::texts($condition->value)));
    }
}
