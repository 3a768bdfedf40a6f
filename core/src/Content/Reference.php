<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

/** A place in a definition that refers to a field or a term. */
final readonly class Reference
{
    /**
     * @param  string  $path  such as `where.all[0].field`
     * @param  string  $name  the key or slug at that place
     * @param  list<string>  $types  for a field: keys of the content types that it may belong to
     * @param  bool  $isKey  true if the name is the last key of the path, not the value under it
     * @param  string|null  $keptAs  a neighbouring key that keeps the old name after a renaming
     * @param  bool  $isWithin  true if the name is in braces inside the text at the path
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

    /** @param  list<string>  $types  keys of the content types with the field */
    public static function toField(string $path, Field $field, array $types): self
    {
        return new self($path, $field->key, $field, $types);
    }

    /**
     * A reference to a field whose key is also a default name elsewhere. After a renaming, addresses keep the filter's
     * old name.
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
     * A reference to a field inside braces in a text: `/plots/{slug}`.
     *
     * @param  list<string>  $types
     */
    public static function toFieldWithin(string $path, Field $field, array $types): self
    {
        return new self($path, $field->key, $field, $types, isWithin: true);
    }

    /** A reference to a field of a page's item, whatever its type. */
    public static function toFieldOfPage(string $path, Field $field): self
    {
        return new self($path, $field->key, $field, isOfPage: true);
    }

    public static function toTerm(string $path, string $taxonomy, string $slug): self
    {
        return new self($path, $slug, taxonomy: $taxonomy);
    }
}
