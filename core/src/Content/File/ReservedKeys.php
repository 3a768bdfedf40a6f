<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\File;

/** Keys that rules, orders, cards and imports already give a meaning; no field or taxonomy may have one. */
final class ReservedKeys
{
    /** What every item has, or what is known of it. */
    private const OF_ITEMS = [
        'id', 'title', 'slug', 'text', 'status', 'audience', 'author', 'lead', 'views', 'words',
        'publish_at', 'expire_at', 'created_at', 'updated_at',
    ];

    /** What every term has, or what is known of it. */
    private const OF_TERMS = [
        'id',
        'title',
        'slug',
        'text',
        'name',
        'description',
        'picture',
        'colour',
        'parent',
        'fields',
        'below',
        'count',
        'place',
        'words',
    ];

    /** Orders that a field of the same key could not be told from. */
    private const ORDERS = ['popularity', 'relevance', 'shuffle'];

    /**
     * For the fields of a content type.
     *
     * @param  array<array-key, mixed>  $taxonomies  of the type, by key
     * @return list<string>
     */
    public static function ofType(array $taxonomies): array
    {
        return [...self::OF_ITEMS, ...self::ORDERS, ...array_map(strval(...), array_keys($taxonomies))];
    }

    /** @return list<string> for the fields of a taxonomy's terms */
    public static function ofTerms(): array
    {
        return [...self::OF_TERMS, ...self::ORDERS];
    }

    /** @return list<string> for taxonomies */
    public static function ofTaxonomies(): array
    {
        return [...self::OF_ITEMS, ...self::ORDERS];
    }
}
