<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\File;

/** A term from a file, validated, with all terms below it. */
final readonly class TermDraft
{
    /**
     * @param  string  $description  text with markup; empty if there is none
     * @param  string|null  $picture  the name of a picture on the site
     * @param  string|null  $colour  `#rrggbb`
     * @param  array<string, mixed>  $fields  by key, without empty values
     * @param  list<TermDraft>  $below
     */
    public function __construct(
        public string $slug,
        public string $name,
        public string $description = '',
        public ?string $picture = null,
        public ?string $colour = null,
        public array $fields = [],
        public array $below = [],
    ) {
    }
}
