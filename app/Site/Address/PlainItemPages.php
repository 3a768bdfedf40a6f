<?php

declare(strict_types=1);

namespace App\Site\Address;

use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Page\Address\AddressPattern;
use Wellspring\Core\Page\Block\Fields;
use Wellspring\Core\Page\PageDefinition;
use Wellspring\Core\Page\PageReader;

/** The default page of an item whose type has no page of its own: its pictures, its text and its values. */
final class PlainItemPages
{
    /** @return array{PageDefinition, string}|null with the item's slug; null where no type's items have the address */
    public static function find(string $path, Catalogue $catalogue): ?array
    {
        foreach ($catalogue->types as $type) {
            $slug = AddressPattern::of($type->address)->match($path);
            if ($slug !== null) {
                return [self::page($type, $catalogue), $slug];
            }
        }

        return null;
    }

    private static function page(Type $type, Catalogue $catalogue): PageDefinition
    {
        $all = Fields::ofType($type);
        $pictures = array_filter($all, fn (Field $field): bool => $field->family()->isPicture());
        $keys = fn (array $fields): array => array_values(array_map(fn (Field $field): string => $field->key, $fields));
        $block = fn (array $keys): array => $keys === [] ? [] : [['block' => 'field', 'fields' => $keys]];

        return (new PageReader($catalogue))->read([
            'format' => PageReader::FORMAT, 'key' => 'plain', 'address' => $type->address,
            'about' => ['item' => $type->key], 'title' => $type->label, 'showTitle' => false,
            'bands' => [['key' => 'item', 'slots' => [
                ['share' => 6, 'blocks' => $block($keys($pictures))],
                ['share' => 6, 'blocks' => [
                    ['block' => 'pageTitle'],
                    ['block' => 'pageText'],
                    ...$block(array_values(array_diff($keys($all), $keys($pictures)))),
                ]],
            ]]],
        ]);
    }
}
