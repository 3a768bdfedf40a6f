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
 * A module bound to the context of a run. Its conditions have their values from the page, the viewer and the address.
 * Its order, page size and arrangement include the visitor's choices. A run binds a module once.
 *
 * @property-read BoundGroup|null $where
 */
final readonly class BoundModule extends Module
{
    /**
     * @param  Module  $own  the module as defined, without the visitor's choices
     * @param  Chosen  $chosen  the visitor's choices
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

    /** Returns itself, because all values are known. */
    public function bound(Context $context): self
    {
        return $this;
    }

    public function definition(): Module
    {
        return $this->own;
    }

    /** Includes the conditions of the visitor's choices. */
    public function conditions(): array
    {
        return [...parent::conditions(), ...$this->chosen->rule()?->conditions() ?? []];
    }

    /** The offer of the definition, which choices do not change. */
    public function offered(): ?Offer
    {
        return $this->own->offered();
    }

    public function addressNames(): array
    {
        return $this->own->addressNames();
    }
}
