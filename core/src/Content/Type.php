<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

use Wellspring\Core\Content\Limit\Limits;
use Wellspring\Core\Content\Taxonomy\Taxonomy;
use Wellspring\Core\Content\Taxonomy\Term;

/** A content type: its labels, the address of its items' pages, its fields and its taxonomies. */
final readonly class Type
{
    public const KEY = '/^[a-z][a-z0-9_]{0,62}$/D';

    /** @var array<string, Field> what a rule may name, by key: the item's own, the type's, its taxonomies */
    public array $reachable;

    /**
     * @param  string  $address  such as `/shop/{slug}`
     * @param  array<string, Field>  $fields  the type's own, by key
     * @param  array<string, Taxonomy>  $taxonomies  by key
     * @param  array<string, Field>|null  $base  the fields of its records besides their own; null: those of every item
     */
    public function __construct(
        public string $key,
        public string $label,
        public string $plural,
        public string $address,
        public array $fields,
        public array $taxonomies = [],
        ?array $base = null,
    ) {
        $reachable = ($base ?? self::itemFields()) + $fields;
        foreach ($taxonomies as $taxonomy) {
            $reachable[$taxonomy->key] = new Field(
                $taxonomy->key,
                $taxonomy->label,
                new Kind\Terms,
                Origin::Taxonomy,
                taxonomy: $taxonomy,
            );
        }
        $this->reachable = $reachable + ($base === null ? self::madeFields($taxonomies, $reachable) : []);
    }

    /**
     * The common type of several types: fields with the same key and kind, with the choices of all.
     *
     * @param  non-empty-list<self>  $types
     */
    public static function shared(array $types): self
    {
        [$first, $others] = [$types[0], array_slice($types, 1)];
        if ($others === []) {
            return $first;
        }
        $fields = [];
        foreach ($first->fields as $key => $field) {
            $like = array_filter(
                array_map(fn (self $type): ?Field => $type->fields[$key] ?? null, $others),
                fn (?Field $other): bool => $other !== null && $other->kind->key() === $field->kind->key(),
            );
            if (count($like) === count($others)) {
                $fields[$key] = array_reduce(
                    $like,
                    fn (Field $all, Field $other): Field => $all->joinedWith($other),
                    $field,
                );
            }
        }

        return new self(
            implode('+', array_map(fn (self $type): string => $type->key, $types)),
            implode(' or ', array_map(fn (self $type): string => $type->label, $types)),
            implode(
                ', ',
                array_map(fn (self $type): string => $type->plural, array_slice($types, 0, -1)),
            ).' and '.end($types)->plural,
            $first->address,
            $fields,
            array_intersect_key($first->taxonomies, ...array_map(fn (self $type): array => $type->taxonomies, $others)),
        );
    }

    public function field(string $key): ?Field
    {
        return $this->reachable[$key] ?? null;
    }

    public function withTerm(string $taxonomy, Term $term): self
    {
        $now = $this->taxonomies[$taxonomy];

        return new self(
            $this->key,
            $this->label,
            $this->plural,
            $this->address,
            $this->fields,
            [
                $taxonomy => new Taxonomy($now->key, $now->label, $now->tree, $now->terms->with($term), $now->fields),
            ] + $this->taxonomies,
        );
    }

    /** @return array<string, mixed> what a new item begins with, by field */
    public function defaults(): array
    {
        return array_filter(
            array_map(fn (Field $field): mixed => $field->default, $this->fields),
            fn (mixed $value): bool => $value !== null,
        );
    }

    /** @return array<string, Field> the fields that every item has */
    public static function itemFields(): array
    {
        static $fields = null;

        return $fields ??= array_column([
            new Field(
                'title',
                'Title',
                new Kind\Text,
                Origin::Item,
                required: true,
                limits: new Limits(maxLength: 300),
            ),
            new Field('slug', 'Slug', new Kind\Text, Origin::Item),
            new Field('text', 'Text', new Kind\LongText, Origin::Item),
            new Field('publish_at', 'Publish date', new Kind\Instant, Origin::Item),
            new Field('expire_at', 'Expiry date', new Kind\Instant, Origin::Item),
            new Field('created_at', 'Made on', new Kind\Instant, Origin::Item),
            new Field('updated_at', 'Last change', new Kind\Instant, Origin::Item),
            new Field('lead', 'Lead', new Kind\YesNo, Origin::Item),
        ], null, 'key');
    }

    /**
     * Properties that are computed instead of stored.
     *
     * @param  array<string, Taxonomy>  $taxonomies
     * @param  array<string, Field>  $fields  the stored fields
     * @return array<string, Field>
     */
    public static function madeFields(array $taxonomies = [], array $fields = []): array
    {
        return [
            'author' => new Field('author', 'Author', new Kind\Person, Origin::Item),
            'views' => new Field('views', 'Views', new Kind\Number('number'), Origin::Item),
            'id' => new Field(
                'id',
                'The item itself',
                new Kind\Made('identity', Family::Identity),
                Origin::Item,
                choices: array_map(fn (Taxonomy $taxonomy): string => $taxonomy->label, $taxonomies),
            ),
            'words' => new Field(
                'words',
                'Its words',
                new Kind\Made('words', Family::Words),
                Origin::Item,
                choices: array_map(
                    fn (Field $field): string => $field->label,
                    array_filter($fields, fn (Field $field): bool => $field->searchWeight() !== null),
                ),
            ),
        ];
    }
}
