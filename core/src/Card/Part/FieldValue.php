<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartContent;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Format;

/** Any field’s value, written as the site writes such values. */
final class FieldValue implements PartKind
{
    use Defaults;

    public function key(): string
    {
        return 'field';
    }

    public function read(Shape $shape, Type $type): ?PartContent
    {
        $key = $shape->text('field');
        $field = $type->field($key);
        if ($field === null || ! $field->family()->readsAsText()) {
            $fit = array_filter($type->reachable, fn (Field $field): bool => $field->family()->readsAsText());
            if ($key !== '') {
                $shape->wrong('field', "a field of {$type->key} (".implode(', ', array_keys($fit)).')', $key);
            }

            return null;
        }

        return new PartContent($field, ['field' => $field->key]);
    }

    public static function optionSchemas(): array
    {
        return ['field' => ['type' => 'string']];
    }

    public function show(Part $part, Record $record, Format $format): ?string
    {
        return $part->fieldText($record, $format);
    }

    public function words(Part $part): string
    {
        $label = $part->field->label ?? '';

        return mb_strtolower(mb_substr($label, 0, 1)).mb_substr($label, 1);
    }

    public function references(Part $part, string $at, array $types): array
    {
        return $part->field === null ? [] : [Reference::toField("{$at}.field", $part->field, $types)];
    }
}
