<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\BoundGroup;

/**
 * A filter with the visitor's choice, bound to the context of a run.
 *
 * @property-read BoundCondition|BoundGroup $rule
 */
final readonly class BoundChosenFilter extends ChosenFilter
{
    /**
     * @param  string  $said  the parameter's value in the canonical address
     * @param  BoundCondition|BoundGroup  $rule  the records that it keeps
     * @param  list<string>  $options  the chosen options; empty if the control has none
     * @param  array{int|float|string|null, int|float|string|null}|null  $ends  the ends of a range: from, to; null:
     *   open
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

    /** Returns itself, because all values are known. */
    public function bound(Context $context): self
    {
        return $this;
    }
}
