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
use Wellspring\Core\Option\Words;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\DateForm;

/**
 * A day or an instant: as the site writes it, by a CLDR skeleton (`yMMMMEEEEd`), by an ICU pattern (`d MMMM, HH:mm`),
 * or `relative` to the current day: “tomorrow”, “in 3 weeks”.
 */
final class Date implements PartKind
{
    use Defaults;

    public function key(): string
    {
        return 'date';
    }

    public function label(): string
    {
        return 'Date';
    }

    private const FAMILIES = [Family::Date, Family::Instant];

    public function options(): array
    {
        return [
            new FieldKey(self::FAMILIES, default: 'publish_at'),
            new Words('format', 'Written as', hint: 'yMMMd', fault: DateForm::fault(...), longest: 80),
        ];
    }

    public function offers(Type $type): array
    {
        $offers = [];
        foreach ($type->reachable as $field) {
            if (self::suits($field) && ! in_array($field->key, ['expire_at', 'created_at'], true)) {
                $offers[] = [
                    'label' => $field->label,
                    'part' => ['part' => 'date', 'field' => $field->key, 'format' => 'yMMMMd'],
                ];
            }
        }

        return $offers;
    }

    public function read(Shape $shape, CardFields $fields): ?PartContent
    {
        $field = $shape->has('field')
            ? $fields->named($shape, 'field', self::suits(...), 'a field with dates')
            : $fields->all['publish_at'] ?? null;
        if ($field === null && ! $shape->has('field')) {
            $shape->wrong('field', 'a field with dates', null);
        }
        $values = OptionValues::read($this->options(), $shape);

        return $field === null ? null : new PartContent($values, $field);
    }

    public function show(Part $part, Record $record, CardContext $context): ?PartValue
    {
        $value = $part->fieldValue($record);
        if (! is_string($value) || $part->option('format') === '') {
            return PartValue::text($part->fieldText($record, $context->format));
        }

        return PartValue::text($part->option('format') === DateForm::RELATIVE
            ? $context->format->relativeDay(
                strlen($value) === 10 ? $value : $context->context->calendar->dayOf($value),
                $context->context->today(),
            )
            : $context->format->dateAs($value, $part->option('format')));
    }

    public function changesDaily(Part $part): bool
    {
        return $part->option('format') === DateForm::RELATIVE;
    }

    public function words(Part $part): string
    {
        return lcfirst($part->field->label ?? $this->label());
    }

    private static function suits(Field $field): bool
    {
        return in_array($field->family(), self::FAMILIES, true);
    }
}
