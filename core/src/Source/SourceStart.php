<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Option\Option;

/** A source that a module can begin with. */
final readonly class SourceStart
{
    /**
     * @param  string  $key  unique among all starts
     * @param  string  $label  what it is called where a source is chosen
     * @param  \Closure(string, string): array<string, mixed>  $begin  the source as a definition has it, for a content
     *   type and a taxonomy, by key; '' where the site has none
     * @param  list<Option>  $options  its keys that an editor offers with a plain control
     */
    public function __construct(
        public string $key,
        public string $label,
        public \Closure $begin,
        public array $options = [],
    ) {
    }
}
