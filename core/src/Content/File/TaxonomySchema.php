<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\File;

/** The JSON Schema (2020-12) of a taxonomy's file. */
final class TaxonomySchema
{
    /** @return array<string, mixed> */
    public static function build(): array
    {
        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            'title' => 'A Wellspring taxonomy, format 1',
            'type' => 'object',
            'required' => ['format', 'key', 'label'],
            'additionalProperties' => false,
            'properties' => [
                'format' => ['const' => 1],
                'key' => ['$ref' => '#/$defs/key'],
                'label' => ['type' => 'string', 'minLength' => 1],
                'tree' => ['type' => 'boolean', 'description' => 'Whether terms can stand below others.'],
                'properties' => [
                    'type' => 'object',
                    'description' => 'Fields that the terms have of their own, as in a type file.',
                    'propertyNames' => ['$ref' => '#/$defs/key'],
                    'additionalProperties' => ['$ref' => '#/$defs/field'],
                ],
                'required' => ['type' => 'array', 'uniqueItems' => true, 'items' => ['type' => 'string']],
                'terms' => ['type' => 'array', 'items' => ['$ref' => '#/$defs/term']],
            ],
            '$defs' => TypeSchema::definitions() + ['term' => self::term()],
        ];
    }

    /** @return array<string, mixed> */
    private static function term(): array
    {
        return [
            'type' => 'object',
            'required' => ['name'],
            'additionalProperties' => false,
            'properties' => [
                'slug' => [
                    'type' => 'string',
                    'pattern' => '^[a-z0-9]+(-[a-z0-9]+)*$',
                    'maxLength' => 120,
                    'description' => 'Made from the name when absent.',
                ],
                'name' => ['type' => 'string', 'minLength' => 1, 'maxLength' => 200],
                'description' => ['type' => 'string', 'description' => 'HTML, made safe when it is saved.'],
                'picture' => ['type' => 'string', 'description' => 'The name of a picture on the site.'],
                'colour' => ['type' => 'string', 'pattern' => '^#([0-9a-fA-F]{3}|[0-9a-fA-F]{6})$'],
                'fields' => ['type' => 'object'],
                'below' => ['type' => 'array', 'items' => ['$ref' => '#/$defs/term']],
            ],
        ];
    }
}
