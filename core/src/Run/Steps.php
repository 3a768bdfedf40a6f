<?php

declare(strict_types=1);

namespace Wellspring\Core\Run;

use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\BoundGroup;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Filter\Join;

/** Splits the manager's conditions into parts with counts of their own. */
final class Steps
{
    /**
     * Each member if the outermost group is `all`, otherwise the group as a whole; nothing if there are no conditions.
     *
     * @return ($where is BoundGroup|null
     *   ? list<CountedRule<BoundCondition|BoundGroup>>
     *   : list<CountedRule<Condition|Group>>)
     */
    public static function ofWhere(?Group $where): array
    {
        if ($where === null) {
            return [];
        }
        if ($where->join !== Join::All) {
            return [new CountedRule(StepName::of(StepKind::Where), $where)];
        }
        $rules = [];
        foreach ($where->members as $i => $member) {
            $rules[] = new CountedRule(StepName::condition($i), $member);
        }

        return $rules;
    }
}
