<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\BoundGroup;
use Wellspring\Core\Filter\Join;

/** A visitor's choices in one offer. */
final readonly class Chosen
{
    /**
     * @param  list<BoundChosenFilter>  $filters  in the order of the offer
     * @param  positive-int|null  $size
     */
    public function __construct(
        private string $offer = '',
        public array $filters = [],
        public ?OfferedOrder $order = null,
        public ?int $size = null,
        public ?OfferedArrangement $arrangement = null,
    ) {
    }

    public function isNothing(): bool
    {
        return $this->parameters() === [];
    }

    /** The choice in a filter; null if nothing is chosen. */
    public function of(OfferedFilter $filter): ?BoundChosenFilter
    {
        foreach ($this->filters as $chosen) {
            if ($chosen->filter->name === $filter->name) {
                return $chosen;
            }
        }

        return null;
    }

    /** The same choices without those of one filter. */
    public function without(OfferedFilter $filter): self
    {
        return new self($this->offer, array_values(array_filter(
            $this->filters,
            fn (BoundChosenFilter $chosen): bool => $chosen->filter->name !== $filter->name,
        )), $this->order, $this->size, $this->arrangement);
    }

    /** The condition of all filters together; null if none is chosen. */
    public function rule(): ?BoundGroup
    {
        $rules = array_map(fn (BoundChosenFilter $chosen): BoundCondition|BoundGroup => $chosen->rule, $this->filters);

        return $rules === [] ? null : new BoundGroup(Join::All, $rules);
    }

    /** @return array<string, string> those of the filters, by parameter, in the order of the offer */
    public function filterParameters(): array
    {
        $parameters = [];
        foreach ($this->filters as $chosen) {
            $parameters["{$this->offer}-{$chosen->filter->name}"] = $chosen->said;
        }

        return $parameters;
    }

    /** @return array<string, string> the parameters of the canonical address, in the order of the offer */
    public function parameters(): array
    {
        $parameters = $this->filterParameters();
        foreach ([
            Offer::SORT => $this->order?->key,
            Offer::SIZE => $this->size,
            Offer::ARRANGEMENT => $this->arrangement?->key,
        ] as $name => $said) {
            if ($said !== null) {
                $parameters["{$this->offer}-{$name}"] = (string) $said;
            }
        }

        return $parameters;
    }

    /**
     * True if few combinations of this kind exist: an order, a size, an arrangement and one option. The number of
     * combinations of ranges, words and several options is unbounded.
     */
    public function isOneOfFew(): bool
    {
        return count($this->filters) <= 1
            && array_filter(
                $this->filters,
                fn (BoundChosenFilter $chosen): bool => count($chosen->options) !== 1,
            ) === [];
    }
}
