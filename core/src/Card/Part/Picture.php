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
use Wellspring\Core\Problem\Shape;

/** A picture of the record: from the given field, or from the first picture field of its type. */
final class Picture implements PartKind
{
    use Defaults;

    public function key(): string
    {
        return 'picture';
    }

    public function label(): string
    {
        return 'Picture';
    }

    private const FAMILIES = [Family::Picture, Family::Pictures];

    public function options(): array
    {
        return [new FieldKey(self::FAMILIES), new FieldKey([Family::Video], 'video', 'Video that it stands for')];
    }

    public function offers(Type $type): array
    {
        return self::first($type->fields) === null
            ? []
            : [['label' => $this->label(), 'part' => ['part' => $this->key()]]];
    }

    public function read(Shape $shape, CardFields $fields): ?PartContent
    {
        $field = $shape->has('field')
            ? $fields->named($shape, 'field', self::suits(...), 'a field with pictures')
            : self::first($fields->type->fields);
        $video = $shape->has('video')
            ? $fields->named($shape, 'video', self::isVideo(...), 'a field with a video')
            : null;
        if ($field === null && ! $shape->has('field')) {
            $shape->wrong(
                'part',
                "a part that {$fields->type->plural} have; none of their fields holds a picture",
                'picture',
            );

        }

        return $field === null
            ? null
            : new PartContent(OptionValues::read($this->options(), $shape), $field, array_filter([$video]));
    }

    public function of(Field $field): PartContent
    {
        return new PartContent(OptionValues::defaults($this->options(), ['field' => $field->key]), $field);
    }

    public function show(Part $part, Record $record, CardContext $context): ?PartValue
    {
        $names = (array) $part->fieldValue($record);
        $name = $names[0] ?? null;
        $video = ($part->others()[0] ?? null) === null ? null : $record->value($part->others()[0]);

        return is_string($name) && $name !== ''
            ? PartValue::picture($name, is_string($video) ? $video : null)
            : null;
    }

    public function showsPicture(): bool
    {
        return true;
    }

    /** @param  array<string, Field>  $fields */
    private static function first(array $fields): ?Field
    {
        $pictures = array_filter($fields, fn (Field $field): bool => $field->family() === Family::Picture);

        return array_values($pictures)[0] ?? null;
    }

    private static function isVideo(Field $field): bool
    {
        return $field->family() === Family::Video && $field->through === null;
    }

    private static function suits(Field $field): bool
    {
        return $field->family()->isPicture();
    }
}
