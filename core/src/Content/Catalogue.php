<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

use Wellspring\Core\Content\Taxonomy\Taxonomy;

/** All content types, taxonomies and groups of people of a site, for reading definitions. */
final readonly class Catalogue
{
    /**
     * @param  array<string, Type>  $types  by key
     * @param  array<string, Taxonomy>  $taxonomies  by key
     * @param  array<string, string>  $groups  of people: names by key
     */
    public function __construct(public array $types, public array $taxonomies = [], public array $groups = [])
    {
    }

    public function type(string $key): ?Type
    {
        return $this->types[$key] ?? null;
    }

    /**
     * @return array<string, Field> the fields that conditions can use, by key: the type's own, and those reached
     *   through links
     */
    public function askable(Type $type): array
    {
        $fields = $type->reachable;
        foreach ($type->reachable as $link) {
            foreach ($this->behind($link) as $field) {
                $reached = $field->reachedThrough($link);
                $fields[$reached->key] = $reached;
            }
        }

        return $fields;
    }

    /** @return array<string, Field> the fields of what the field links to */
    private function behind(Field $link): array
    {
        if ($link->family() === Family::Person) {
            return ['name' => new Field('name', 'Name', new Kind\Text, Origin::Item)];
        }
        $types = $link->family() === Family::Items
            ? array_values(array_filter(array_map($this->type(...), $link->types)))
            : [];
        if ($types === []) {
            return [];
        }

        return array_filter(
            array_diff_key(Type::shared($types)->reachable, ['id' => 0, 'words' => 0, 'views' => 0, 'author' => 0]),
            fn (Field $field): bool => ! $field->family()->isLink(),
        );
    }
}
