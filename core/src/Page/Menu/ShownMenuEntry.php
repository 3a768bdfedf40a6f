<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Menu;

/** A menu entry for a visitor. */
final readonly class ShownMenuEntry
{
    /**
     * @param  bool  $isCurrent  true if it leads to the current page
     * @param  list<self>  $entries  below it
     */
    public function __construct(
        public string $label,
        public string $address,
        public bool $isCurrent,
        public array $entries,
    ) {
    }

    /** True if it or an entry below it leads to the current page. */
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
