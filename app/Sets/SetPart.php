<?php

declare(strict_types=1);

namespace App\Sets;

/** One file of a set beside what the site has. */
final readonly class SetPart
{
    /**
     * @param  'type'|'taxonomy'|'module'  $kind
     * @param  'new'|'same'|'kept'  $state  `kept`: the site has one of that key that is otherwise, and it stays as it
     *   is
     * @param  string  $says  what it holds, in words
     */
    public function __construct(
        public string $kind,
        public string $key,
        public string $name,
        public string $state,
        public string $says,
    ) {
    }
}
