<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\ValueLists;
use Wellspring\Core\Wording\Format;

/** The items or people that a record links to, compared with a list. “None of” keeps records without links. */
final readonly class LinksAmong extends Among
{
    public function suits(Family $family): bool
    {
        return $family === Family::Items || $family === Family::Person && $this->quantifier !== Quantifier::All;
    }

    /** @return non-empty-list<string> items as `type/slug`, people by e-mail */
    public function readValue(mixed $value, Field $field): array
    {
        $what = $field->family() === Family::Person ? 'e-mail addresses of people' : 'items, each by its slug';

        return ValueLists::list($value, $what, function (mixed $one) use ($field): string {
            $read = $field->kind->read($field->family() === Family::Person ? $one : [$one], $field);

            return ValueLists::texts($read)[0] ?? throw new \LogicException('A name that was read is a text.');
        });
    }

    public function valueWords(Condition $condition, Format $format): string
    {
        return implode(', ', array_map($format->title(...), ValueLists::texts($condition->value)));
    }
}
