<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Format;

/** Any field's value, written as the site writes such values. */
final class FieldValue implements PartKind
{
    public function key(): string
    {
        return 'field';
    }

    public function field(Shape $shape, Type $type): ?Field
    {
        $key = $shape->text('field');
        $field = $type->field($key);
        if ($key !== '' && ($field === null || ! $field->family()->readsAsText())) {
            $fit = array_keys(
                array_filter($type->reachable, fn (Field $field): bool => $field->family()->readsAsText()),
            );
            $shape->wrong('field', "a field of {$type->key} (".implode(', ', $fit).')', $key);

            return null;
        }

        return $field;
    }

    public function options(Shape $shape): array
    {
        return [];
    }

    public function show(Part $part, Record $record, Format $format): ?string
    {
        return $part->field->display($record->value($part->field), $format, $record->names($part->field));
    }

    public function words(Field $field): string
    {
        return mb_strtolower(mb_substr($field->label, 0, 1)).mb_substr($field->label, 1);
    }
}
