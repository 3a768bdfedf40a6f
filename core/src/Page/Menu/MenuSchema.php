<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Menu;

use Wellspring\Core\Page\PageSchema;

/** The JSON Schema (2020-12) of a menu's definition. */
final class MenuSchema
{
    /** @return array<string, mixed> */
    public static function build(): array
    {
        $key = ['type' => 'string', 'pattern' => '^[a-z0-9-]{1,64}$'];
        $text = ['type' => 'string', 'minLength' => 1];
        $pair = ['type' => 'array', 'items' => $text, 'minItems' => 2, 'maxItems' => 2];
        $audience = ['audience' => PageSchema::schedule()['audience']];
        $below = ['label' => $text, 'entries' => ['$ref' => '#/$defs/entries']];

        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            'title' => 'A menu of a Wellspring site, format '.MenuReader::FORMAT,
            ...PageSchema::object([
                'format' => ['const' => MenuReader::FORMAT],
                'key' => $key,
                'entries' => ['$ref' => '#/$defs/entries'],
            ], ['format', 'key']),
            '$defs' => ['entries' => PageSchema::listOf(MenuReader::MAX_ENTRIES, ['oneOf' => [
                PageSchema::object(['page' => $key] + $below + $audience, ['page']),
                PageSchema::object(['term' => $pair] + $below + $audience, ['term']),
                PageSchema::object(['item' => $pair] + $below + $audience, ['item']),
                PageSchema::object(['link' => $text] + $below + $audience, ['link', 'label']),
                PageSchema::object(['module' => $key] + $audience, ['module']),
            ]])],
        ];
    }
}
