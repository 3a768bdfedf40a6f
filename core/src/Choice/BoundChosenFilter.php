<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\BoundGroup;

/**
 * A filter with what a visitor has chosen, here and now.
 *
 * @property-read BoundCondition|BoundGroup $rule
 */
final readonly class BoundChosenFilter extends ChosenFilter
{
    /**
     * @param  string  $said  the parameter's value as the canonical address has it
     * @param  BoundCondition|BoundGroup  $rule  what it keeps
     * @param  list<string>  $options  the options that are chosen; empty where the control has none
     * @param  array{int|float|string|null, int|float|string|null}|null  $ends  of a range: from, to; null: open
     */
    public function __construct(
        OfferedFilter $filter,
        string $said,
        BoundCondition|BoundGroup $rule,
        array $options = [],
        ?array $ends = null,
    ) {
        parent::__construct($filter, $said, $rule, $options, $ends);
    }

    /** Returns itself: all values are given already. */
    public function bound(Context $context): self
    {
        return $this;
    }
}
