<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartContent;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Text\Whitespace;
use Wellspring\Core\Wording\Format;

/**
 * Any field’s value, written as the site writes such values; a number, where `message` says so, in words of its own:
 * `{"part": "field", "field": "stock", "message": "{n, plural, =0 {Sold out} other {In stock}}"}`.
 */
final class FieldValue implements PartKind
{
    use Defaults;

    /** Numbers that a message is tried with. */
    private const TRIED = [0, 1, 2, 3, 5, 10, 11, 100, 1000, 0.5];

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

        return new PartContent($field, ['field' => $field->key] + $this->message($shape, $field));
    }

    /** @return array{message?: string} */
    private function message(Shape $shape, Field $field): array
    {
        if (! $shape->has('message')) {
            return [];
        }
        $pattern = $shape->text('message');
        if ($field->family() !== Family::Number) {
            $shape->wrong('message', 'no words where the field is no number', $pattern);
        } elseif ($pattern !== '' && ! self::saysEveryNumber($pattern)) {
            $shape->wrong('message', 'a message of ICU that says something of every n, such as '
                .'{n, plural, =0 {Sold out} one {The last one} other {# in stock}}', $pattern);
        }

        return ['message' => $pattern];
    }

    private static function saysEveryNumber(string $pattern): bool
    {
        foreach (self::TRIED as $number) {
            $said = \MessageFormatter::formatMessage('en', $pattern, ['n' => $number]);
            if ($said === false || Whitespace::isAll($said)) {
                return false;
            }
        }

        return true;
    }

    public static function optionSchemas(): array
    {
        return ['field' => ['type' => 'string'], 'message' => ['type' => 'string', 'minLength' => 1]];
    }

    public function show(Part $part, Record $record, Format $format): ?string
    {
        $value = $part->field === null ? null : $record->value($part->field);
        $message = $part->option('message');

        return $message !== null && (is_int($value) || is_float($value))
            ? $format->numberInWords($value, $message)
            : $part->fieldText($record, $format);
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
