<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Frame;

use Wellspring\Core\Page\PageSchema;
use Wellspring\Core\Page\Place;

/** The JSON Schema (2020-12) of the frame's definition, made from the register of blocks. */
final class FrameSchema
{
    /** @return array<string, mixed> */
    public static function build(): array
    {
        $entry = ['oneOf' => PageSchema::blocks(['on' => Place::schema()])];
        $slots = array_fill_keys(
            array_column(FrameSlot::cases(), 'value'),
            PageSchema::listOf(FrameReader::MAX_ENTRIES, $entry),
        );

        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            'title' => 'The frame of a Wellspring site, format '.FrameReader::FORMAT,
            ...PageSchema::object([
                'format' => ['const' => FrameReader::FORMAT],
                'slots' => PageSchema::object($slots),
            ], ['format', 'slots']),
            '$defs' => PageSchema::definitions(),
        ];
    }
}
