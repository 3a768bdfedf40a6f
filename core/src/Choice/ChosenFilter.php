<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Wording\Format;

/** A filter with the visitor's choice, as its control reads it. */
readonly class ChosenFilter
{
    /**
     * @param  string  $said  the parameter's value in the canonical address
     * @param  Condition|Group  $rule  the records that it keeps
     * @param  list<string>  $options  the chosen options; empty if the control has none
     * @param  array{int|float|string|null, int|float|string|null}|null  $ends  the ends of a range: from, to; null:
     *   open
     */
    public function __construct(
        public OfferedFilter $filter,
        public string $said,
        public Condition|Group $rule,
        public array $options = [],
        public ?array $ends = null,
    ) {
    }

    public function bound(Context $context): BoundChosenFilter
    {
        $rule = $this->rule->bound($context);

        return new BoundChosenFilter($this->filter, $this->said, $rule, $this->options, $this->ends);
    }

    /** Its text above the results. */
    public function words(Format $format): string
    {
        return $this->filter->control->chosenWords($this, $format);
    }
}
