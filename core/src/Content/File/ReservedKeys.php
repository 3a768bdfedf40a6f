<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\File;

/**
 * Reserved keys, which already have a meaning in rules, orders, cards and imports. No field or taxonomy may have them.
 */
final class ReservedKeys
{
    /** Properties of every item. */
    private const OF_ITEMS = [
        'id', 'title', 'slug', 'text', 'status', 'audience', 'author', 'lead', 'views', 'words',
        'publish_at', 'expire_at', 'created_at', 'updated_at',
    ];

    /** Properties of every term. */
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

    /** Criteria with the same key as a field would be ambiguous. */
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
