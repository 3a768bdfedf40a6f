<?php

declare(strict_types=1);

namespace Wellspring\Core\Run;

use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Group;

/**
 * A part of the manager's conditions with a count of its own.
 *
 * @template-covariant TRule of Condition|Group
 */
final readonly class CountedRule
{
    /** @param  TRule  $rule */
    public function __construct(public StepName $name, public Condition|Group $rule)
    {
    }
}
