<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Change;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Text\Html;

/** Converts a stored value when the definition of its field changes. */
final readonly class Conversion
{
    private function __construct(public ConversionOutcome $outcome, public mixed $value)
    {
    }

    /** @param  mixed  $value  as the field's kind read it, not null */
    public static function of(Field $from, Field $to, mixed $value): self
    {
        try {
            $read = $from->kind->key() === $to->kind->key()
                ? $to->kind->read($value, $to)
                : $to->kind->readCell(self::cell($from, $to, $value), $to);
        } catch (WrongValue) {
            return self::otherwise($from, $to, $value);
        }

        return match (true) {
            $read === null => new self(ConversionOutcome::Lost, null),
            $read === $value => new self(ConversionOutcome::Same, $value),
            default => new self(ConversionOutcome::Converted, $read),
        };
    }

    private static function otherwise(Field $from, Field $to, mixed $value): self
    {
        if ($from->kind->key() !== $to->kind->key()) {
            return new self(ConversionOutcome::Lost, null);
        }
        // A choice or a type that is no longer offered is removed from the list. A narrower limit applies at the next
        // save.
        if (is_array($value) && array_is_list($value)) {
            $kept = array_values(array_filter($value, fn (mixed $one): bool => self::takes($to, [$one])));

            return match (count($kept)) {
                count($value) => new self(ConversionOutcome::Unfit, $value),
                0 => new self(ConversionOutcome::Lost, null),
                default => new self(ConversionOutcome::Converted, $kept),
            };
        }

        return $to->family() === Family::Choice
            ? new self(ConversionOutcome::Lost, null)
            : new self(ConversionOutcome::Unfit, $value);
    }

    private static function takes(Field $field, mixed $value): bool
    {
        try {
            return $field->kind->read($value, $field) !== null;
        } catch (WrongValue) {
            return false;
        }
    }

    /** The value as text that the new kind probably understands. */
    private static function cell(Field $from, Field $to, mixed $value): string
    {
        $family = $from->family();
        $text = match (true) {
            $family === Family::LongText && is_string($value) => Html::visibleText($value),
            $family === Family::Choice && is_string($value) && $to->choices === [] => $from->choiceLabel($value),
            default => $from->kind->writeCell($value, $from),
        };
        if ($to->family() === Family::LongText) {
            return '<p>'.htmlspecialchars($text).'</p>';
        }
        foreach ($to->choices as $key => $label) {
            if (Fold::of($label) === Fold::of($text)) {
                return (string) $key;
            }
        }

        return $text;
    }
}
