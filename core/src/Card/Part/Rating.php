<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Card\CardFields;
use Wellspring\Core\Card\FieldKey;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartContent;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Card\PartValue;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Option\Whole;
use Wellspring\Core\Problem\Shape;

/** The mean of the ratings, as a number out of the best and as marks. */
final class Rating implements PartKind
{
    use Defaults;

    public function key(): string
    {
        return 'rating';
    }

    public function label(): string
    {
        return 'Rating';
    }

    public function options(): array
    {
        return [
            new FieldKey([Family::Number], default: 'rating'),
            new Whole('best', 'The best is', 5, 2, 10),
        ];
    }

    public function offers(Type $type): array
    {
        return ($type->fields['rating'] ?? null)?->family() === Family::Number
            ? [['label' => $this->label(), 'part' => ['part' => $this->key()]]]
            : [];
    }

    public function read(Shape $shape, CardFields $fields): ?PartContent
    {
        $values = OptionValues::read($this->options(), $shape);
        $field = $shape->has('field')
            ? $fields->named($shape, 'field', self::suits(...), 'a field with numbers')
            : $fields->type->fields['rating'] ?? null;
        if ($field === null && ! $shape->has('field')) {
            $shape->wrong('field', 'a field with numbers', null);
        }

        return $field === null ? null : new PartContent($values, $field);
    }

    public function show(Part $part, Record $record, CardContext $context): ?PartValue
    {
        $value = $part->fieldValue($record);

        return is_int($value) || is_float($value)
            ? PartValue::text($context->format->number(round($value, 1)))
            : null;
    }

    /** @return int<0, 10> how many marks of ten are filled */
    public static function marks(Part $part, float $value): int
    {
        return max(0, min(10, (int) round($value / max(1, $part->number('best')) * 10)));
    }

    private static function suits(Field $field): bool
    {
        return $field->family() === Family::Number && $field->through === null;
    }
}
