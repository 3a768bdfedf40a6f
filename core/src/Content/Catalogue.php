<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

/** All content types and taxonomies of a site: what a definition may speak of. */
final readonly class Catalogue
{
    /**
     * @param  array<string, Type>  $types  by key
     * @param  array<string, Taxonomy>  $taxonomies  by key
     */
    public function __construct(public array $types, public array $taxonomies = [])
    {
    }

    public function type(string $key): ?Type
    {
        return $this->types[$key] ?? null;
    }
}
