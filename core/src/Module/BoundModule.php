<?php

declare(strict_types=1);

namespace Wellspring\Core\Module;

use Wellspring\Core\Arrangement\Arrangement;
use Wellspring\Core\Choice\Chosen;
use Wellspring\Core\Choice\Offer;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundGroup;
use Wellspring\Core\Paging\PagingRule;
use Wellspring\Core\Sort\SortKey;

/**
 * A module here and now: its conditions have the values that the page, the viewer and the address give, and its order,
 * page size and arrangement are those that the visitor has chosen. A run makes it once.
 *
 * @property-read BoundGroup|null $where
 */
final readonly class BoundModule extends Module
{
    /**
     * @param  Module  $own  as its definition has it: with what it shows where nothing is chosen
     * @param  Chosen  $chosen  what the visitor has chosen
     * @param  non-empty-list<SortKey>  $order
     */
    public function __construct(
        public Module $own,
        public Chosen $chosen,
        ?BoundGroup $where,
        array $order,
        PagingRule $page,
        Arrangement $arrange,
    ) {
        parent::__construct(
            $own->key,
            $own->name,
            $own->source,
            $where,
            $own->leaveOut,
            $own->pin,
            $order,
            $own->skip,
            $own->atMost,
            $page,
            $arrange,
            $own->card,
            $own->whenNothing,
            $own->headings,
            $own->offer,
            $own->follows,
            $own->look,
        );
    }

    /** Returns itself: all values are given already. */
    public function bound(Context $context): self
    {
        return $this;
    }

    public function definition(): Module
    {
        return $this->own;
    }

    /** Those of the visitor's choice, too. */
    public function conditions(): array
    {
        return [...parent::conditions(), ...$this->chosen->rule()?->conditions() ?? []];
    }

    /** The offer of the definition: a choice that was made does not change it. */
    public function offered(): ?Offer
    {
        return $this->own->offered();
    }

    public function addressNames(): array
    {
        return $this->own->addressNames();
    }
}
