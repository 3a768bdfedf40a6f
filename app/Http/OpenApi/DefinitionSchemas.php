<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use Wellspring\Core\Content\File\TaxonomySchema;
use Wellspring\Core\Content\File\TypeSchema;
use Wellspring\Core\Context\SiteSettingsSchema;
use Wellspring\Core\Look\LookReader;
use Wellspring\Core\Module\ModuleSchema;
use Wellspring\Core\Page\Frame\FrameSchema;
use Wellspring\Core\Page\Menu\MenuSchema;
use Wellspring\Core\Page\PageSchema;

/**
 * Makes the components for definitions in the API's description from their JSON Schemas.
 *
 * The API also returns drafts with faults, so the components are wider than the schemas: alternatives become one object
 * with the keys of all of them, and limits of values are left out. docs/formats has the exact schemas.
 *
 * @phpstan-type DefinitionShape array<string, mixed>
 * @phpstan-type PartShape array<string, mixed>
 * @phpstan-type PageFileShape array<string, mixed>
 * @phpstan-type FrameFileShape array<string, mixed>
 * @phpstan-type PageBandShape array<string, mixed>
 * @phpstan-type PageBlockShape array<string, mixed>
 * @phpstan-type MenuFileShape array<string, mixed>
 * @phpstan-type SettingsFileShape array<string, mixed>
 * @phpstan-type LookFileShape array<string, mixed>
 * @phpstan-type TypeFileShape array<string, mixed>
 * @phpstan-type TaxonomyFileShape array<string, mixed>
 * @phpstan-type JsonSchema array<string, mixed>
 */
final class DefinitionSchemas
{
    /** The schema and the JSON Pointer (RFC 6901) of each component. */
    private const PLACES = [
        'Definition' => ['module', ''],
        'Source' => ['module', '/properties/source'],
        'Group' => ['module', '/$defs/group'],
        'Condition' => ['module', '/$defs/condition'],
        'Rule' => ['module', '/$defs/group/properties/all/items'],
        'SortKey' => ['module', '/properties/order/items'],
        'Headings' => ['module', '/properties/headings'],
        'Offer' => ['module', '/properties/offer'],
        'OfferedFilter' => ['module', '/properties/offer/oneOf/1/properties/filters/items'],
        'OfferedOrder' => ['module', '/properties/offer/oneOf/1/properties/orders/items'],
        'Part' => ['module', '/properties/card/properties/lines/items/properties/parts/items'],
        'EmptyRule' => ['module', '/$defs/empty'],
        'PageFile' => ['page', ''],
        'PageAbout' => ['page', '/properties/about'],
        'PageBand' => ['page', '/properties/bands/items'],
        'PageSlot' => ['page', '/properties/bands/items/properties/slots/items'],
        'PageBlock' => ['page', '/properties/bands/items/properties/slots/items/properties/blocks/items'],
        'FrameFile' => ['frame', ''],
        'MenuFile' => ['menu', ''],
        'MenuEntry' => ['menu', '/$defs/entries/items'],
        'SettingsFile' => ['settings', ''],
        'LookFile' => ['look', ''],
        'TypeFile' => ['type', ''],
        'FieldSchema' => ['type', '/$defs/field'],
        'TaxonomyFile' => ['taxonomy', ''],
        'TermFile' => ['taxonomy', '/$defs/term'],
    ];

    /** Other places with the same component. Some of them allow fewer empty-value rules. */
    private const ALIKE = [
        'FieldSchema' => ['taxonomy#/$defs/field'],
        'Rule' => ['module#/$defs/group/properties/any/items', 'module#/$defs/group/properties/none/items'],
        'Part' => [
            'page#/$defs/card/properties/lines/items/properties/parts/items',
            'frame#/$defs/card/properties/lines/items/properties/parts/items',
        ],
        'EmptyRule' => ['page#/$defs/empty', 'page#/$defs/emptyPart', 'frame#/$defs/empty', 'frame#/$defs/emptyPart'],
        'PageBlock' => [
            'frame#/properties/slots/properties/header/items', 'frame#/properties/slots/properties/before/items',
            'frame#/properties/slots/properties/side/items', 'frame#/properties/slots/properties/after/items',
            'frame#/properties/slots/properties/footer/items',
        ],
    ];

    /** Optional keys of files that stored definitions always have. */
    private const WRITTEN = [
        'module#' => ['order', 'page', 'arrange', 'card', 'whenNothing'],
        'module#/properties/page' => ['mode', 'size'],
        'module#/properties/order/items' => ['direction', 'empty'],
        'module#/properties/source/oneOf/2/properties/people' => ['groups'],
        'page#' => ['bands'],
        'page#/properties/bands/items/properties/slots/items' => ['blocks'],
        'menu#' => ['entries'],
        'settings#' => ['signUp'],
        'type#' => ['properties'],
        'type#/$defs/field' => ['title'],
        'type#/properties/x-wellspring' => ['plural', 'address', 'taxonomies'],
    ];

    /** Components with additional keys: the options of plug-ins or of the look. */
    private const OPEN = ['FieldSchema', 'LookFile', 'OfferedFilter', 'PageBand', 'PageSlot'];

    /** Alternatives of more types than this become a value of any type. */
    private const MOST_TYPES = 3;

    /** @var array<string, string> names of components by schema and pointer */
    private array $named;

    /** @param  array<string, JsonSchema>  $schemas  by name */
    private function __construct(private readonly array $schemas)
    {
        foreach (self::PLACES as $name => [$schema, $pointer]) {
            $this->named["{$schema}#{$pointer}"] = $name;
        }
        foreach (self::ALIKE as $name => $places) {
            $this->named += array_fill_keys($places, $name);
        }
    }

    /** @return list<string> */
    public static function names(): array
    {
        return array_keys(self::PLACES);
    }

    /** @return array<string, JsonSchema> by name */
    public static function components(): array
    {
        $made = new self([
            'module' => ModuleSchema::build(),
            'page' => PageSchema::build(),
            'frame' => FrameSchema::build(),
            'menu' => MenuSchema::build(),
            'settings' => SiteSettingsSchema::build(),
            'look' => LookReader::schema(),
            'type' => TypeSchema::build(),
            'taxonomy' => TaxonomySchema::build(),
        ]);
        foreach ([...array_merge(...array_values(self::ALIKE)), ...array_keys(self::WRITTEN)] as $place) {
            $made->at(...explode('#', $place, 2));
        }
        $components = [];
        foreach (self::PLACES as $name => [$schema, $pointer]) {
            $components[$name] = $made->widened($made->at($schema, $pointer), $schema, $pointer)
                + (in_array($name, self::OPEN, true) ? ['additionalProperties' => true] : []);
        }

        return $components;
    }

    /**
     * @return JsonSchema
     *
     * @throws \LogicException where the schema has nothing there
     */
    private function at(string $schema, string $pointer): array
    {
        $found = $this->schemas[$schema];
        foreach (array_slice(explode('/', $pointer), 1) as $step) {
            $found = is_array($found) ? $found[$step] ?? null : null;
        }

        return is_array($found) ? $found : throw new \LogicException("{$schema} has nothing at {$pointer}.");
    }

    /**
     * @param  JsonSchema  $of
     * @return JsonSchema the component that stands there, by reference, or the widened schema
     */
    private function below(array $of, string $schema, string $pointer): array
    {
        $name = $this->named["{$schema}#{$pointer}"] ?? null;

        return $name === null
            ? $this->widened($of, $schema, $pointer)
            : ['$ref' => "#/components/schemas/{$name}"];
    }

    /**
     * @param  JsonSchema  $of
     * @return JsonSchema
     */
    private function widened(array $of, string $schema, string $pointer): array
    {
        if (is_string($of['$ref'] ?? null)) {
            $pointer = substr($of['$ref'], 1);

            return $this->below($this->at($schema, $pointer), $schema, $pointer);
        }
        foreach (['oneOf', 'anyOf'] as $several) {
            if (isset($of[$several]) && ! isset($of['properties'])) {
                $all = [];
                foreach ($of[$several] as $i => $one) {
                    $all[] = $this->below($one, $schema, "{$pointer}/{$several}/{$i}");
                }

                return $this->joined($all);
            }
        }
        if (array_key_exists('const', $of)) {
            return is_string($of['const'])
                ? ['type' => 'string']
                : ['type' => is_bool($of['const']) ? 'boolean' : 'integer', 'enum' => [$of['const']]];
        }
        $kept = array_intersect_key($of, ['type' => 0, 'description' => 0]);
        if (isset($of['enum'])) {
            $kept['type'] ??= 'string';
        }
        $required = array_unique([...$of['required'] ?? [], ...self::WRITTEN["{$schema}#{$pointer}"] ?? []]);
        if ($required !== []) {
            $kept['required'] = array_values($required);
        }
        foreach ($of['properties'] ?? [] as $key => $property) {
            $kept['properties'][$key] = $this->below($property, $schema, "{$pointer}/properties/{$key}");
        }
        // An object whose keys all have the same shape is a map.
        $shapes = array_unique($kept['properties'] ?? [], SORT_REGULAR);
        if (count($shapes) === 1 && count($kept['properties'] ?? []) > 2) {
            $kept['additionalProperties'] = $shapes[array_key_first($shapes)];
        }
        if (is_array($of['items'] ?? null)) {
            $kept['items'] = $this->below($of['items'], $schema, "{$pointer}/items");
        }
        if (is_array($of['additionalProperties'] ?? null)) {
            $inner = $this->below($of['additionalProperties'], $schema, "{$pointer}/additionalProperties");
            $kept['additionalProperties'] = $inner;
        } elseif (($kept['type'] ?? null) === 'object' && ! isset($kept['properties'])) {
            $kept['additionalProperties'] = true;
        }

        return $kept;
    }

    /**
     * @param  list<JsonSchema>  $all  alternatives
     * @return JsonSchema one schema that fits all of them
     */
    private function joined(array $all): array
    {
        $all = array_values(array_unique($all, SORT_REGULAR));
        $types = array_unique(array_map(fn (array $one): string => (string) json_encode($one['type'] ?? $one), $all));

        return match (true) {
            count($all) === 1 => $all[0],
            $types === ['"object"'] => $this->object($all),
            $types === ['"array"'] => ['type' => 'array'] + array_filter([
                'items' => $this->joined(
                    array_map(fn (array $one): array => $one['items'] ?? ['type' => 'object'], $all),
                ),
            ]),
            count($types) === 1 => array_intersect_key($all[0], ['type' => 0]),
            count($types) > self::MOST_TYPES => ['description' => 'Any value.'],
            default => ['anyOf' => $all],
        };
    }

    /**
     * @param  list<JsonSchema>  $all  of objects
     * @return JsonSchema with the keys of all of them; required is what all of them require
     */
    private function object(array $all): array
    {
        $properties = [];
        foreach ($all as $one) {
            foreach ($one['properties'] ?? [] as $key => $property) {
                $properties[$key][] = $property;
            }
        }
        $required = array_intersect(...array_map(fn (array $one): array => $one['required'] ?? [], $all));

        return ['type' => 'object'] + array_filter([
            'required' => array_values($required),
            'properties' => array_map($this->joined(...), $properties),
        ]) + ['additionalProperties' => true];
    }
}
