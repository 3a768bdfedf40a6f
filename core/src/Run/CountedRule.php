<?php

declare(strict_types=1);

namespace Wellspring\Core\Run;

use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Group;

/** A part of the manager's conditions that is counted on its own. */
final readonly class CountedRule
{
    public function __construct(public StepName $name, public Condition|Group $rule)
    {
    }
}
