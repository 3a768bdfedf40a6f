<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Taxonomy\Taxonomy;
use Wellspring\Core\Content\Type;

/** The type of terms: the fields that rules and cards can use. */
final class TermType
{
    public static function of(Taxonomy $taxonomy): Type
    {
        return new Type(
            self::key($taxonomy->key), 'Term', $taxonomy->label, '',
            [
                'picture' => new Field('picture', 'Picture', new Kind\Picture),
                'colour' => new Field('colour', 'Colour', new Kind\Colour),
                'count' => new Field('count', 'Number of items', new Kind\Number('number')),
                'place' => new Field('place', 'Place among the terms', new Kind\Number('number')),
            ] + $taxonomy->fields,
            base: self::base(),
        );
    }

    /**
     * The common fields of the terms of several taxonomies.
     *
     * @param  non-empty-array<Taxonomy>  $taxonomies
     */
    public static function shared(array $taxonomies): Type
    {
        $types = array_map(self::of(...), array_values($taxonomies));

        return count($types) === 1
            ? $types[0]
            : new Type('terms', 'Term', 'Terms', '', Type::shared($types)->fields, base: self::base());
    }

    /** @return array<string, Field> */
    private static function base(): array
    {
        return [
            'title' => new Field('title', 'Name', new Kind\Text, Origin::Item),
            'slug' => new Field('slug', 'Slug', new Kind\Text, Origin::Item),
            'text' => new Field('text', 'Description', new Kind\LongText, Origin::Item),
        ];
    }

    public static function key(string $taxonomy): string
    {
        return "terms of {$taxonomy}";
    }

    /** @param  list<Record>  $items  visible to the viewer */
    public static function count(Taxonomy $taxonomy, string $slug, array $items): int
    {
        $wanted = $taxonomy->terms->withBelow($slug);

        return count(
            array_filter(
                $items,
                fn (Record $item): bool => array_intersect($item->terms($taxonomy->key), $wanted) !== [],
            ),
        );
    }
}
