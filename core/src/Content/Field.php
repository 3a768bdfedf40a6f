<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

use Wellspring\Core\Content\Limit\Limits;
use Wellspring\Core\Content\Taxonomy\Taxonomy;
use Wellspring\Core\Wording\Format;

/** One field of an item: its key, its labels, its kind and its limits. */
final readonly class Field
{
    public const KEY = '/^[a-z][a-z0-9_]{0,62}$/D';

    public const CHOICE = '/^[^|\x00-\x1F\s\p{Z}]([^|\x00-\x1F]{0,98}[^|\x00-\x1F\s\p{Z}])?$/Du';

    /**
     * @param  array<array-key, string>  $choices  label by key, in sort order
     * @param  array<array-key, string>  $colours  `#rrggbb` by a choice's key, for choices with a colour
     * @param  string  $unit  such as `m²`, written after the number
     * @param  mixed  $default  the value of a new item, in the form of read()
     * @param  string  $section  its heading in the form
     * @param  list<string>  $types  keys of the types that it may link to
     * @param  self|null  $through  the linking field, if a rule reaches this field through it
     * @param  bool  $shared  true if it stands for the equal field of several types
     */
    public function __construct(
        public string $key,
        public string $label,
        public Kind $kind,
        public Origin $origin = Origin::Type,
        public bool $required = false,
        public array $choices = [],
        public array $colours = [],
        public string $unit = '',
        public Limits $limits = new Limits,
        public string $help = '',
        public string $section = '',
        public mixed $default = null,
        public array $types = [],
        public ?Taxonomy $taxonomy = null,
        public ?self $through = null,
        public bool $shared = false,
    ) {
    }

    public function with(mixed $default): self
    {
        return new self(
            $this->key,
            $this->label,
            $this->kind,
            $this->origin,
            $this->required,
            $this->choices,
            $this->colours,
            $this->unit,
            $this->limits,
            $this->help,
            $this->section,
            $default,
            $this->types,
            $this->taxonomy,
        );
    }

    /** The field of the items or the person that another field links to: `leader.name`. */
    public function reachedThrough(self $link): self
    {
        return new self(
            "{$link->key}.{$this->key}",
            "{$link->label}: {$this->label}",
            $this->kind,
            $this->origin,
            false,
            $this->choices,
            $this->colours,
            $this->unit,
            $this->limits,
            $this->help,
            $this->section,
            null,
            $this->types,
            $this->taxonomy,
            $link,
            shared: true,
        );
    }

    /** Its key inside the record that has the value. */
    public function ownKey(): string
    {
        return $this->through === null ? $this->key : substr($this->key, strlen($this->through->key) + 1);
    }

    public function family(): Family
    {
        return $this->kind->family();
    }

    /** @return string|null a key of Words::WEIGHTS; null where search does not look in it */
    public function searchWeight(): ?string
    {
        return match (true) {
            $this->origin === Origin::Item => ['title' => 'A', 'text' => 'D'][$this->key] ?? null,
            $this->family() === Family::LongText => 'D',
            $this->family() === Family::Terms, $this->kind->key() === 'text' => 'B',
            default => null,
        };
    }

    /**
     * A value as the site writes it.
     *
     * @param  mixed  $value  as the kind reads it, or null
     * @param  array<string, string>  $names  the titles of linked items and people, by the value that names them
     * @return string|null null where there is nothing to show
     */
    public function display(mixed $value, Format $format, array $names = []): ?string
    {
        return $value === null ? null : $this->kind->display($value, $this, $format, $names);
    }

    /** True if every listed record has a value of it. */
    public function isNeverEmpty(): bool
    {
        return $this->through === null
            && $this->origin === Origin::Item
            && in_array($this->key, ['title', 'slug', 'publish_at', 'created_at', 'updated_at', 'lead', 'views'], true);
    }

    /** The label of a choice or term; the key if the field no longer has it. */
    public function choiceLabel(string $key): string
    {
        return $this->taxonomy === null
            ? $this->choices[$key] ?? $key
            : $this->taxonomy->terms->find($key)->name ?? $key;
    }

    /** The common field of two types: with the choices and types of both. */
    public function joinedWith(self $other): self
    {
        return new self(
            $this->key, $this->label, $this->kind, $this->origin, $this->required && $other->required,
            $this->choices + $other->choices, $this->colours + $other->colours,
            $this->unit === $other->unit ? $this->unit : '',
            types: array_values(array_unique([...$this->types, ...$other->types])),
            taxonomy: $this->taxonomy,
            shared: true,
        );
    }
}
