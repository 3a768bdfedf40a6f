<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

/** A place in a definition that names a field, or a term. */
final readonly class Reference
{
    /**
     * @param  string  $path  such as `where.all[0].field`
     * @param  string  $name  what stands there
     * @param  list<string>  $types  of a field: keys of the content types that it may be of
     * @param  bool  $isKey  whether the name is the last key of the path itself, not the value under it
     * @param  string|null  $keptAs  a key beside it that goes on saying the old name after a renaming
     * @param  bool  $isWithin  whether the name stands in braces within the text under the path
     */
    private function __construct(
        public string $path,
        public string $name,
        public ?Field $field = null,
        public array $types = [],
        public ?string $taxonomy = null,
        public bool $isOfPage = false,
        public bool $isKey = false,
        public bool $isWithin = false,
        public ?string $keptAs = null,
    ) {
    }

    /** @param  list<string>  $types  keys of the content types whose field it is */
    public static function toField(string $path, Field $field, array $types): self
    {
        return new self($path, $field->key, $field, $types);
    }

    /**
     * To a field by whose key others call it, too, unless a key beside says how: addresses go on calling a filter as
     * they do.
     *
     * @param  list<string>  $types
     */
    public static function toFieldKeptAs(string $path, string $keptAs, Field $field, array $types): self
    {
        return new self($path, $field->key, $field, $types, keptAs: $keptAs);
    }

    /** @param  list<string>  $types */
    public static function toFieldAsKey(string $path, string $key, Field $field, array $types): self
    {
        return new self("{$path}.{$key}", $key, $field, $types, isKey: true);
    }

    /**
     * To a field that a text names in braces: `/plots/{slug}`.
     *
     * @param  list<string>  $types
     */
    public static function toFieldWithin(string $path, Field $field, array $types): self
    {
        return new self($path, $field->key, $field, $types, isWithin: true);
    }

    /** To a field of whatever item a page is about. */
    public static function toFieldOfPage(string $path, Field $field): self
    {
        return new self($path, $field->key, $field, isOfPage: true);
    }

    public static function toTerm(string $path, string $taxonomy, string $slug): self
    {
        return new self($path, $slug, taxonomy: $taxonomy);
    }
}
