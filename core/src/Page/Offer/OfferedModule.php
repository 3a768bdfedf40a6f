<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Offer;

/** A module of the site, as far as blocks ask about it. */
final readonly class OfferedModule
{
    /**
     * @param  list<string>  $types  keys of the content types whose items it lists
     * @param  bool  $hasFilters  whether visitors choose among its records
     * @param  list<string>  $addresses  of the live pages that it is on
     */
    public function __construct(
        public string $key,
        public array $types,
        public bool $hasFilters,
        public array $addresses,
    ) {
    }
}
