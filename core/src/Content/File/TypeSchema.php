<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\File;

use Wellspring\Core\Content\Kinds;

/** The JSON Schema (2020-12) of a content type's file, made from the register of kinds. */
final class TypeSchema
{
    private const KEY = ['$ref' => '#/$defs/key'];

    private const TEXT = ['type' => 'string', 'minLength' => 1];

    /** @return array<string, mixed> */
    public static function build(): array
    {
        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            'title' => 'A Wellspring content type, format 1',
            'description' => 'A type is itself a JSON Schema; what the schema has no word for stands under '
                .'x-wellspring.',
            'type' => 'object',
            'required' => ['$schema', 'title', 'type', 'x-wellspring'],
            'additionalProperties' => false,
            'properties' => [
                '$schema' => ['const' => 'https://json-schema.org/draft/2020-12/schema'],
                'title' => self::TEXT,
                'type' => ['const' => 'object'],
                'x-wellspring' => self::ofType(),
                'properties' => [
                    'type' => 'object',
                    'propertyNames' => self::KEY,
                    'additionalProperties' => ['$ref' => '#/$defs/field'],
                ],
                'required' => ['type' => 'array', 'uniqueItems' => true, 'items' => self::KEY],
            ],
            '$defs' => self::definitions(),
        ];
    }

    /** @return array<string, array<string, mixed>> of a key and of a field, by name */
    public static function definitions(): array
    {
        return [
            'key' => ['type' => 'string', 'pattern' => '^[a-z][a-z0-9_]{0,62}$'],
            'field' => [
                'type' => 'object',
                'required' => ['x-wellspring'],
                'additionalProperties' => false,
                'properties' => self::keywords() + ['x-wellspring' => self::ofField()],
            ],
        ];
    }

    /** @return array<string, mixed> what a type says of its own */
    private static function ofType(): array
    {
        return [
            'type' => 'object',
            'required' => ['format', 'key'],
            'additionalProperties' => false,
            'properties' => [
                'format' => ['const' => 1],
                'key' => self::KEY,
                'plural' => self::TEXT,
                'address' => [
                    'type' => 'string',
                    'pattern' => '^(/[a-z0-9-]+)+/\\{slug\\}$',
                    'description' => 'Of its items\' own pages; /KEY/{slug} when absent.',
                ],
                'taxonomies' => [
                    'type' => 'array',
                    'items' => self::KEY,
                    'description' => 'One that the site lacks is made, flat.',
                ],
            ],
        ];
    }

    /** @return array<string, array<string, mixed>> the keywords of JSON Schema that a field may have */
    private static function keywords(): array
    {
        $length = ['type' => 'integer', 'minimum' => 1, 'maximum' => 100000];

        return [
            'title' => self::TEXT,
            'description' => self::TEXT + ['description' => 'Help for whoever fills it in.'],
            'type' => ['enum' => ['string', 'number', 'boolean', 'array', 'object']],
            'format' => ['enum' => ['date', 'date-time', 'email', 'iri-reference']],
            'enum' => ['type' => 'array', 'minItems' => 1, 'items' => self::TEXT],
            'items' => ['type' => 'object'],
            'uniqueItems' => ['const' => true],
            'minimum' => ['type' => 'number'],
            'maximum' => ['type' => 'number'],
            'minLength' => $length,
            'maxLength' => $length,
            'pattern' => self::TEXT + [
                'description' => 'Of text; of a colour and of times of opening hours the kind\'s own.',
            ],
            'maxItems' => ['type' => 'integer', 'minimum' => 1, 'maximum' => 1000],
            'properties' => [
                'type' => 'object',
                'description' => 'Of a place or of opening hours, as the kind says.',
            ],
            'additionalProperties' => ['const' => false],
            'default' => ['description' => 'What a new item begins with.'],
        ];
    }

    /** @return array<string, mixed> what a field says of its own */
    private static function ofField(): array
    {
        $date = ['type' => 'string', 'format' => 'date'];
        $colour = ['type' => 'string', 'pattern' => '^#([0-9a-fA-F]{3}|[0-9a-fA-F]{6})$'];

        return [
            'type' => 'object',
            'required' => ['kind'],
            'additionalProperties' => false,
            'properties' => [
                'kind' => ['enum' => array_map(strval(...), array_keys(Kinds::all()))],
                'unit' => self::TEXT,
                'decimals' => [
                    'type' => 'integer',
                    'minimum' => 0,
                    'maximum' => 10,
                    'description' => 'Digits after the point, at most.',
                ],
                'earliest' => $date,
                'latest' => $date,
                'rangeFrom' => [
                    'type' => 'string',
                    'description' => 'Key of the field of the same kind that a range begins with; this field ends it.',
                ],
                'labels' => ['type' => 'object', 'additionalProperties' => ['type' => 'string']],
                'colours' => ['type' => 'object', 'additionalProperties' => $colour],
                'types' => [
                    'type' => 'array',
                    'minItems' => 1,
                    'items' => self::KEY,
                    'description' => 'Of kind items: the types that they may be of.',
                ],
                'section' => self::TEXT + ['description' => 'The heading that the field stands under in the form.'],
            ],
        ];
    }
}
