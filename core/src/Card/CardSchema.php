<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Option\Option;
use Wellspring\Core\Option\OptionValues;

/** The JSON Schema (2020-12) of a card, made from the register of part kinds. */
final class CardSchema
{
    /**
     * @param  string  $empty  the reference to the schema of empty-value rules
     * @return array<string, mixed>
     */
    public static function build(string $empty): array
    {
        $list = fn (array $items): array => ['type' => 'array', 'minItems' => 1, 'items' => $items];

        return self::object(['lines' => $list(self::object([
            'parts' => $list(['oneOf' => array_values(array_map(
                fn (PartKind $kind): array => self::part($kind, $empty),
                PartKinds::all(),
            ))]),
        ], ['parts']))], ['lines']);
    }

    /** @return array<string, mixed> */
    private static function part(PartKind $kind, string $empty): array
    {
        $options = $kind->options();
        $required = array_filter($options, fn (Option $option): bool => $option->describe()['default'] === null
            && in_array($option->describe()['kind'], ['words', 'rule'], true));

        return self::object([
            'part' => ['const' => $kind->key()],
            ...OptionValues::schemas($options),
            ...OptionValues::schemas(PartStyle::options()),
            'empty' => ['$ref' => $empty],
        ], ['part', ...array_values(array_map(fn (Option $option): string => $option->key(), $required))]);
    }

    /**
     * @param  array<string, array<string, mixed>>  $properties
     * @param  list<string>  $required
     * @return array<string, mixed>
     */
    private static function object(array $properties, array $required): array
    {
        return [
            'type' => 'object',
            'required' => $required,
            'additionalProperties' => false,
            'properties' => $properties,
        ];
    }
}
