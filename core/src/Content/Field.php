<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

/** One field of an item: its key, its words, its kind and its limits. */
final readonly class Field
{
    public const KEY = '/^[a-z][a-z0-9_]{0,62}$/D';

    /**
     * @param  array<array-key, string>  $choices  label by key, in the order in which they sort
     * @param  string  $unit  such as `m²`; shown after the number
     */
    public function __construct(
        public string $key,
        public string $label,
        public Kind $kind,
        public Origin $origin = Origin::Type,
        public bool $required = false,
        public array $choices = [],
        public string $unit = '',
        public int|float|null $minimum = null,
        public int|float|null $maximum = null,
        public ?int $maxLength = null,
        public string $help = '',
        public ?Taxonomy $taxonomy = null,
    ) {
    }

    public function family(): Family
    {
        return $this->kind->family();
    }

    /** Whether every record that can be listed has a value of it. */
    public function isNeverEmpty(): bool
    {
        return $this->origin === Origin::Item && in_array($this->key, ['title', 'slug', 'publish_at', 'created_at', 'updated_at', 'lead'], true);
    }

    /** The words for a choice or term of this field; the key itself when the field no longer has it. */
    public function choiceLabel(string $key): string
    {
        return $this->taxonomy === null
            ? $this->choices[$key] ?? $key
            : $this->taxonomy->terms->find($key)->name ?? $key;
    }
}
