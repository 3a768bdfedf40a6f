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
use Wellspring\Core\Content\OpeningHours;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Option\Flag;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Option\Words;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Format;

/**
 * The value of any field: as the site writes it, or in a format of its own. A number can be part of a message:
 * `{"part": "field", "field": "stock", "message": "{n, plural, =0 {Sold out} other {In stock}}"}`.
 */
final class FieldValue implements PartKind
{
    use Defaults;

    private const OPEN_NOW = 'openNow';

    public function key(): string
    {
        return 'field';
    }

    public function label(): string
    {
        return 'Field';
    }

    public function options(): array
    {
        return [
            new FieldKey(array_values(array_filter(
                Family::cases(),
                fn (Family $family): bool => $family->readsAsText(),
            ))),
            new Words('message', 'In words', hint: '{n, plural, =0 {Sold out} other {# in stock}}'),
            Decimals::option(),
            new Flag(self::OPEN_NOW, 'Of opening hours: whether it is open now', false),
        ];
    }

    public function offers(Type $type): array
    {
        $offers = [];
        foreach ($type->reachable as $field) {
            if (self::suits($field) && $field->origin !== Origin::Item && ! self::hasPartOfItsOwn($field)) {
                $part = ['part' => 'field', 'field' => $field->key];
                $offers[] = ['label' => self::offerLabel($field), 'part' => $part];
            }
        }

        return $offers;
    }

    /** True if the part for terms or for dates already offers the field under the same name. */
    private static function hasPartOfItsOwn(Field $field): bool
    {
        return in_array($field->family(), [Family::Terms, Family::Date, Family::Instant], true);
    }

    /**
     * The parts Price and Rating have the names of their fields, so the labels of the plain fields say how they differ.
     */
    private static function offerLabel(Field $field): string
    {
        return match (true) {
            $field->key === 'price' && Price::isMoney($field) => "{$field->label}, without sale prices",
            $field->key === 'rating' && $field->family() === Family::Number => "{$field->label}, as a number",
            default => $field->label,
        };
    }

    public function read(Shape $shape, CardFields $fields): ?PartContent
    {
        $field = $fields->named($shape, 'field', self::suits(...), 'a field');
        if ($field === null) {
            $shape->raw('message');

            return null;
        }
        $values = OptionValues::read($this->options(), $shape);
        if ($values->text('message') !== '') {
            self::check($shape, $field, $values->text('message'));
        }

        return new PartContent($values, $field);
    }

    public function of(Field $field): PartContent
    {
        return new PartContent(OptionValues::defaults($this->options(), ['field' => $field->key]), $field);
    }

    public function show(Part $part, Record $record, CardContext $context): ?PartValue
    {
        $value = $part->fieldValue($record);
        $message = $part->option('message');

        if ($message !== '' && (is_int($value) || is_float($value))) {
            return PartValue::text($context->format->numberInWords($value, $message));
        }
        if (self::saysWhetherOpen($part)) {
            $calendar = $context->context->calendar;

            return is_array($value) ? PartValue::text(
                OpeningHours::at($value, $context->context->now, $calendar)->words($context->format, $calendar),
            ) : null;
        }
        $text = $part->fieldText($record, Decimals::of($part)->format($context->format, $value));

        return $part->field === null ? PartValue::text($text) : PartValue::linked($record, $part->field, $text);
    }

    /** Only the visible text of HTML is shown. */
    public function presence(Part $part): Presence
    {
        return match (true) {
            $part->field === null => Presence::never(),
            $part->field->family() === Family::LongText => Presence::readable($part->field),
            default => Presence::filled($part->field),
        };
    }

    public function words(Part $part): string
    {
        $label = $part->field->label ?? '';

        return mb_strtolower(mb_substr($label, 0, 1)).mb_substr($label, 1);
    }

    /** True if it shows whether it is open now, and until when, instead of the opening hours. */
    public static function saysWhetherOpen(Part $part): bool
    {
        return $part->field?->family() === Family::Hours && $part->flag(self::OPEN_NOW);
    }

    private static function suits(Field $field): bool
    {
        return $field->family()->readsAsText();
    }

    private static function check(Shape $shape, Field $field, string $pattern): void
    {
        if ($field->family() !== Family::Number) {
            $shape->wrong('message', 'no words where the field is no number', $pattern);
        } elseif (! Format::saysEveryNumber($pattern)) {
            $shape->wrong('message', 'a message of ICU that says something of every n in at most '
                .Format::LONGEST_PATTERN.' characters, such as '
                .'{n, plural, =0 {Sold out} one {The last one} other {# in stock}}', $pattern);
        }
    }
}
