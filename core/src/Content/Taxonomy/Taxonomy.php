<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Taxonomy;

use Wellspring\Core\Content\Field;

/** A named set of terms, flat or a tree. */
final readonly class Taxonomy
{
    /** @param  array<string, Field>  $fields  the fields of its terms, by key */
    public function __construct(
        public string $key,
        public string $label,
        public bool $tree,
        public TermTree $terms,
        public array $fields = [],
    ) {
    }
}
