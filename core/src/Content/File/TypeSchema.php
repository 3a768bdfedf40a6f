<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\File;

use Wellspring\Core\Content\Kinds;

/** The JSON Schema (2020-12) of a content type's file, with the kinds that the register holds. */
final class TypeSchema
{
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
                '$schema' => [
                    'const' => 'https://json-schema.org/draft/2020-12/schema',
                ],
                'title' => [
                    'type' => 'string',
                    'minLength' => 1,
                ],
                'type' => [
                    'const' => 'object',
                ],
                'x-wellspring' => [
                    'type' => 'object',
                    'required' => ['format', 'key'],
                    'additionalProperties' => false,
                    'properties' => [
                        'format' => [
                            'const' => 1,
                        ],
                        'key' => [
                            '$ref' => '#/$defs/key',
                        ],
                        'plural' => [
                            'type' => 'string',
                            'minLength' => 1,
                        ],
                        'address' => [
                            'type' => 'string',
                            'pattern' => '^(/[a-z0-9-]+)+/\\{slug\\}$',
                            'description' => 'Of its items\' own pages; /KEY/{slug} when absent.',
                        ],
                        'taxonomies' => [
                            'type' => 'array',
                            'items' => [
                                '$ref' => '#/$defs/key',
                            ],
                            'description' => 'One that the site lacks is made, flat.',
                        ],
                    ],
                ],
                'properties' => [
                    'type' => 'object',
                    'propertyNames' => [
                        '$ref' => '#/$defs/key',
                    ],
                    'additionalProperties' => [
                        '$ref' => '#/$defs/field',
                    ],
                ],
                'required' => [
                    'type' => 'array',
                    'uniqueItems' => true,
                    'items' => [
                        '$ref' => '#/$defs/key',
                    ],
                ],
            ],
            '$defs' => [
                'key' => [
                    'type' => 'string',
                    'pattern' => '^[a-z][a-z0-9_]{0,62}$',
                ],
                'field' => [
                    'type' => 'object',
                    'required' => ['x-wellspring'],
                    'additionalProperties' => false,
                    'properties' => [
                        'title' => [
                            'type' => 'string',
                            'minLength' => 1,
                        ],
                        'description' => [
                            'type' => 'string',
                            'minLength' => 1,
                            'description' => 'Help for whoever fills it in.',
                        ],
                        'type' => [
                            'enum' => ['string', 'number', 'boolean', 'array', 'object'],
                        ],
                        'format' => [
                            'enum' => ['date', 'date-time', 'email', 'iri-reference'],
                        ],
                        'enum' => [
                            'type' => 'array',
                            'minItems' => 1,
                            'items' => [
                                'type' => 'string',
                                'minLength' => 1,
                            ],
                        ],
                        'items' => [
                            'type' => 'object',
                        ],
                        'uniqueItems' => [
                            'const' => true,
                        ],
                        'minimum' => [
                            'type' => 'number',
                        ],
                        'maximum' => [
                            'type' => 'number',
                        ],
                        'minLength' => [
                            'type' => 'integer',
                            'minimum' => 1,
                            'maximum' => 100000,
                        ],
                        'maxLength' => [
                            'type' => 'integer',
                            'minimum' => 1,
                            'maximum' => 100000,
                        ],
                        'pattern' => [
                            'type' => 'string',
                            'minLength' => 1,
                            'description' => 'Of text; of a colour and of times of opening hours the kind\'s own.',
                        ],
                        'maxItems' => [
                            'type' => 'integer',
                            'minimum' => 1,
                            'maximum' => 1000,
                        ],
                        'properties' => [
                            'type' => 'object',
                            'description' => 'Of a place or of opening hours, as the kind says.',
                        ],
                        'additionalProperties' => [
                            'const' => false,
                        ],
                        'default' => [
                            'description' => 'What a new item begins with.',
                        ],
                        'x-wellspring' => [
                            'type' => 'object',
                            'required' => ['kind'],
                            'additionalProperties' => false,
                            'properties' => [
                                'kind' => [
                                    'enum' => array_map(strval(...), array_keys(Kinds::all())),
                                ],
                                'unit' => [
                                    'type' => 'string',
                                    'minLength' => 1,
                                ],
                                'decimals' => [
                                    'type' => 'integer',
                                    'minimum' => 0,
                                    'maximum' => 10,
                                    'description' => 'Digits after the point, at most.',
                                ],
                                'earliest' => [
                                    'type' => 'string',
                                    'format' => 'date',
                                ],
                                'latest' => [
                                    'type' => 'string',
                                    'format' => 'date',
                                ],
                                'rangeFrom' => [
                                    'type' => 'string',
                                    'description' => 'Key of the field of the same kind that a range begins with; this '
                                        .'field ends it.',
                                ],
                                'labels' => [
                                    'type' => 'object',
                                    'additionalProperties' => [
                                        'type' => 'string',
                                    ],
                                ],
                                'colours' => [
                                    'type' => 'object',
                                    'additionalProperties' => [
                                        'type' => 'string',
                                        'pattern' => '^#([0-9a-fA-F]{3}|[0-9a-fA-F]{6})$',
                                    ],
                                ],
                                'types' => [
                                    'type' => 'array',
                                    'minItems' => 1,
                                    'items' => [
                                        '$ref' => '#/$defs/key',
                                    ],
                                    'description' => 'Of kind items: the types that they may be of.',
                                ],
                                'section' => [
                                    'type' => 'string',
                                    'minLength' => 1,
                                    'description' => 'The heading that the field stands under in the form.',
                                ],
                            ],
                        ],
                    ],
                ],
            ],
        ];
    }
}
