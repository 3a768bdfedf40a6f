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
use Wellspring\Core\Card\Presence;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Problem\Shape;

/** A long text with its paragraphs, headings and pictures: `{"part": "inFull", "field": "text"}`. */
final class InFull implements PartKind
{
    use Defaults;

    public function key(): string
    {
        return 'inFull';
    }

    public function label(): string
    {
        return 'In full';
    }

    public function options(): array
    {
        return [new FieldKey([Family::LongText])];
    }

    public function offers(Type $type): array
    {
        return array_map(fn (Field $field): array => [
            'label' => $field->key === 'text' ? $this->label() : "{$field->label}, in full",
            'part' => ['part' => $this->key(), 'field' => $field->key],
        ], array_values(array_filter($type->reachable, self::suits(...))));
    }

    public function read(Shape $shape, CardFields $fields): ?PartContent
    {
        $field = $fields->named($shape, 'field', self::suits(...), 'a long text');

        return $field === null ? null : new PartContent(OptionValues::read($this->options(), $shape), $field);
    }

    public function show(Part $part, Record $record, CardContext $context): ?PartValue
    {
        $html = $part->fieldValue($record);

        return is_string($html) && $part->field !== null
            ? PartValue::html($html, $record->visibleText($part->field))
            : null;
    }

    public function presence(Part $part): Presence
    {
        return $part->field === null ? Presence::never() : Presence::filled($part->field);
    }

    public function words(Part $part): string
    {
        return ($part->field?->key === 'text' ? 'the text' : $part->field->label ?? '').' in full';
    }

    private static function suits(Field $field): bool
    {
        return $field->family() === Family::LongText;
    }
}
