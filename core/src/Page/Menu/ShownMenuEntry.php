<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Menu;

/** An entry of a menu as a visitor gets it. */
final readonly class ShownMenuEntry
{
    /**
     * @param  bool  $isCurrent  whether it leads to the page at hand
     * @param  list<self>  $entries  below it
     */
    public function __construct(
        public string $label,
        public string $address,
        public bool $isCurrent,
        public array $entries,
    ) {
    }

    /** Whether it or an entry below it leads to the page at hand. */
    public function holdsCurrent(): bool
    {
        foreach ($this->entries as $entry) {
            if ($entry->holdsCurrent()) {
                return true;
            }
        }

        return $this->isCurrent;
    }
}
