<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;

/** An address made of a record's values: `/plots/{slug}?from={village}`. Every value is escaped. */
final class AddressOfValues
{
    private const NAME = '/\{([^{}]*)\}/';

    private const BEGINS = '~^(/(?![/\\\\])|https?://[^/?#{}\s]+|mailto:|tel:)~iD';

    /** @return list<string> the keys of the fields that it names, each once */
    public static function names(string $address): array
    {
        preg_match_all(self::NAME, $address, $found);

        return array_values(array_unique($found[1]));
    }

    /**
     * @param  array<string, Field>  $fields  the fields that it may use, by key
     * @return string|null what is expected instead; null where it is an address
     */
    public static function fault(string $address, array $fields): ?string
    {
        $known = array_filter($fields, self::suits(...));
        foreach (self::names($address) as $name) {
            if (! isset($known[$name])) {
                return "fields between braces that are there ({$name} is not): ".implode(', ', array_keys($known));
            }
        }
        $plain = preg_replace(self::NAME, 'x', $address) ?? '';

        return match (true) {
            preg_match(self::BEGINS, $address) !== 1 => 'an address that begins with /, https://, mailto: or tel:',
            strpbrk($plain, "{}<>\"'\\ `^|") !== false => 'an address without spaces, quotes and stray braces',
            default => null,
        };
    }

    /**
     * @param  list<Field>  $fields  the fields that it uses
     * @return string|null null where the record lacks a value of one
     */
    public static function of(string $address, array $fields, Record $record): ?string
    {
        $values = [];
        foreach ($fields as $field) {
            $text = self::text(Part::valueOf($field, $record));
            if ($text === null) {
                return null;
            }
            $values['{'.$field->key.'}'] = rawurlencode($text);
        }

        return strtr($address, $values);
    }

    private static function suits(Field $field): bool
    {
        return $field->family()->readsAsText()
            && ! $field->family()->isLink()
            && ! in_array($field->family(), [Family::Place, Family::Hours, Family::LongText], true);
    }

    private static function text(mixed $value): ?string
    {
        return match (true) {
            is_string($value) => $value,
            is_bool($value) => $value ? 'yes' : 'no',
            is_int($value), is_float($value) => (string) json_encode($value),
            is_array($value) && is_string($value[0] ?? null) => $value[0],
            default => null,
        };
    }
}
