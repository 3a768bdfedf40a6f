<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Offer;

/** The facts about a module that blocks need. */
final readonly class OfferedModule
{
    /**
     * @param  list<string>  $types  keys of the content types whose items it lists
     * @param  bool  $hasFilters  true if visitors can filter it
     * @param  list<string>  $addresses  of the live pages that contain it
     */
    public function __construct(
        public string $key,
        public array $types,
        public bool $hasFilters,
        public array $addresses,
    ) {
    }
}
