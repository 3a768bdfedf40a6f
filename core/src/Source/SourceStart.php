<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Option\Option;

/** A form of source that a module can start with. */
final readonly class SourceStart
{
    /**
     * @param  string  $key  unique among all starts
     * @param  string  $label  its label in the list of sources
     * @param  \Closure(string, string): array<string, mixed>  $begin  the source in the form of a definition, for the
     *   keys of a content type and a taxonomy; '' if the site has none
     * @param  list<Option>  $options  the keys that an editor shows with a plain control
     */
    public function __construct(
        public string $key,
        public string $label,
        public \Closure $begin,
        public array $options = [],
    ) {
    }
}
