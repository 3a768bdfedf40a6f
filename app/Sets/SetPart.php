<?php

declare(strict_types=1);

namespace App\Sets;

/** One file of a set compared with the site. */
final readonly class SetPart
{
    /**
     * @param  'type'|'taxonomy'|'module'  $kind
     * @param  'new'|'same'|'kept'  $state  `kept`: the site has a different one with this key, which stays unchanged
     * @param  string  $says  its content in words
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
