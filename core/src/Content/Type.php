<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

/** A content type: its words, the address of its items' own pages, its fields and its taxonomies. */
final readonly class Type
{
    public const KEY = '/^[a-z][a-z0-9_]{0,62}$/D';

    /** @var array<string, Field> what a rule may name, by key: the item's own, the type's, its taxonomies */
    public array $reachable;

    /**
     * @param  string  $address  such as `/shop/{slug}`
     * @param  array<string, Field>  $fields  the type's own, by key
     * @param  array<string, Taxonomy>  $taxonomies  by key
     */
    public function __construct(
        public string $key,
        public string $label,
        public string $plural,
        public string $address,
        public array $fields,
        public array $taxonomies = [],
    ) {
        $reachable = self::itemFields() + $fields;
        foreach ($taxonomies as $taxonomy) {
            $reachable[$taxonomy->key] = new Field($taxonomy->key, $taxonomy->label, new Kind\Terms, Origin::Taxonomy, taxonomy: $taxonomy);
        }
        $this->reachable = $reachable;
    }

    public function field(string $key): ?Field
    {
        return $this->reachable[$key] ?? null;
    }

    public function withTerm(string $taxonomy, Term $term): self
    {
        $now = $this->taxonomies[$taxonomy];

        return new self($this->key, $this->label, $this->plural, $this->address, $this->fields, [$taxonomy => new Taxonomy($now->key, $now->label, $now->tree, $now->terms->with($term), $now->fields)] + $this->taxonomies);
    }

    /** @return array<string, mixed> what a new item begins with, by field */
    public function defaults(): array
    {
        return array_filter(array_map(fn (Field $field): mixed => $field->default, $this->fields), fn (mixed $value): bool => $value !== null);
    }

    /** @return array<string, Field> the fields that every item has */
    public static function itemFields(): array
    {
        $fields = [];
        foreach ([
            new Field('title', 'Title', new Kind\Text, Origin::Item, required: true, limits: new Limits(maxLength: 300)),
            new Field('slug', 'Slug', new Kind\Text, Origin::Item),
            new Field('text', 'Text', new Kind\LongText, Origin::Item),
            new Field('publish_at', 'Publish date', new Kind\Instant, Origin::Item),
            new Field('expire_at', 'Expiry date', new Kind\Instant, Origin::Item),
            new Field('created_at', 'Made on', new Kind\Instant, Origin::Item),
            new Field('updated_at', 'Last change', new Kind\Instant, Origin::Item),
            new Field('lead', 'Lead', new Kind\YesNo, Origin::Item),
        ] as $field) {
            $fields[$field->key] = $field;
        }

        return $fields;
    }
}
