<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

use Wellspring\Core\Card\CardSchema;
use Wellspring\Core\Empty\EmptyAction;
use Wellspring\Core\Empty\EmptyRule;

/** The JSON Schema (2020-12) of a page's definition, made from the register of blocks. */
final class PageSchema
{
    private const TEXT = ['type' => 'string', 'minLength' => 1];

    /** @return array<string, mixed> */
    public static function build(): array
    {
        $key = ['type' => 'string', 'pattern' => '^[a-z0-9-]{1,64}$'];

        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            'title' => 'A Wellspring page, format '.PageReader::FORMAT,
            ...self::object([
                'format' => ['const' => PageReader::FORMAT],
                'key' => $key,
                'address' => ['type' => 'string', 'pattern' => '^/', 'maxLength' => 255],
                'about' => ['oneOf' => self::about()],
                'title' => self::TEXT,
                'showTitle' => ['type' => 'boolean', 'default' => true],
                'description' => self::TEXT,
                'picture' => self::TEXT,
                'menu' => self::object(['label' => self::TEXT], ['label']),
                'whenNotForYou' => ['enum' => ['notFound', 'signIn'], 'default' => 'notFound'],
                'bands' => self::listOf(PageReader::MAX_BANDS, self::object([
                    'key' => $key,
                    'tone' => ['enum' => array_column(Tone::cases(), 'value'), 'default' => Tone::Plain->value],
                    'ground' => ['oneOf' => [
                        self::object(['colour' => ['enum' => array_column(ColourRole::cases(), 'value')]], ['colour']),
                        self::object(['picture' => self::TEXT], ['picture']),
                        self::object(['page' => ['const' => 'picture']], ['page']),
                    ]],
                    'slots' => self::listOf(PageReader::MAX_SLOTS, self::object([
                        'share' => ['type' => 'integer', 'minimum' => 1, 'maximum' => PageReader::SHARES],
                        'blocks' => self::listOf(PageReader::MAX_BLOCKS, ['oneOf' => self::blocks()]),
                        ...self::schedule(),
                    ], ['share'])),
                    ...self::schedule(),
                ], ['key', 'slots'])),
                ...self::schedule(),
            ], ['format', 'key', 'address', 'title']),
            '$defs' => self::definitions(),
        ];
    }

    /** @return array<string, array<string, mixed>> what schemas of blocks refer to, by name */
    public static function definitions(): array
    {
        return [
            'slugs' => ['type' => 'array', 'uniqueItems' => true, 'items' => self::TEXT],
            'empty' => EmptyRule::schema(EmptyAction::ofBlocks()),
            'emptyPart' => EmptyRule::schema(EmptyAction::ofOneCard(), '#/$defs/emptyPart'),
            'card' => CardSchema::build('#/$defs/emptyPart'),
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function about(): array
    {
        $slugs = ['$ref' => '#/$defs/slugs'];
        $dated = fn (string $kind): array => self::object(
            [$kind => $slugs, 'by' => self::TEXT, 'only' => $slugs],
            [$kind],
        );

        return [
            self::object(['term' => self::TEXT, 'under' => self::TEXT, 'only' => $slugs], ['term']),
            self::object(['item' => self::TEXT, 'only' => $slugs], ['item']),
            $dated('month'),
            $dated('year'),
            self::object(['person' => ['const' => true], 'only' => $slugs], ['person']),
        ];
    }

    /**
     * @param  array<string, array<string, mixed>>  $more  further keys at the same level
     * @return list<array<string, mixed>>
     */
    public static function blocks(array $more = []): array
    {
        return array_values(array_map(function (string $block) use ($more): array {
            $module = $block::key() === Block\ModuleBlock::key();

            return self::object(
                ($module ? [] : ['block' => ['const' => $block::key()]])
                    + $block::optionSchemas()
                    + self::schedule()
                    + $more,
                [$module ? 'module' : 'block'],
            );
        }, Blocks::all()));
    }

    /** @return array<string, array<string, mixed>> */
    public static function schedule(): array
    {
        $end = ['oneOf' => [['type' => 'string', 'format' => 'date-time'], ['type' => 'null']]];
        $audience = '^(everyone|signed-out|members|group:[a-z0-9-]{1,64})$';

        return [
            'audience' => ['type' => 'array', 'items' => ['type' => 'string', 'pattern' => $audience]],
            'from' => $end,
            'until' => $end,
        ];
    }

    /**
     * @param  array<string, mixed>  $items
     * @return array<string, mixed>
     */
    public static function listOf(int $most, array $items): array
    {
        return ['type' => 'array', 'maxItems' => $most, 'items' => $items];
    }

    /**
     * @param  array<string, array<string, mixed>>  $properties
     * @param  list<string>  $required
     * @return array<string, mixed>
     */
    public static function object(array $properties, array $required = []): array
    {
        return ['type' => 'object']
            + ($required === [] ? [] : ['required' => $required])
            + ['additionalProperties' => false, 'properties' => $properties];
    }
}
