<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Taxonomy;

/** One term of a taxonomy; in a tree it may have a parent. */
final readonly class Term
{
    public function __construct(
        public string $slug,
        public string $name,
        public ?string $parent = null,
    ) {
    }
}
