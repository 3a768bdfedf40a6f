<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

use Wellspring\Core\Filter\Condition;

/** A filter with what a visitor has chosen. */
final readonly class ChosenFilter
{
    /**
     * @param  string  $said  the parameter's value as the canonical address has it
     * @param  Condition  $condition  what it keeps; its value is given
     * @param  list<string>  $options  the options that are chosen; empty where the control has none
     */
    public function __construct(
        public OfferedFilter $filter,
        public string $said,
        public Condition $condition,
        public array $options = [],
    ) {
    }
}
