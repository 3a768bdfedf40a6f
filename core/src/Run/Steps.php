<?php

declare(strict_types=1);

namespace Wellspring\Core\Run;

use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Filter\Join;

/** Names the counts that a run tells, and splits the manager's conditions accordingly. */
final class Steps
{
    /**
     * The parts of the conditions that are counted one after the other: each member where the outermost
     * group is `all`, otherwise the group as a whole; nothing where there are no conditions.
     *
     * @return array<string, Condition|Group> by step name
     */
    public static function ofWhere(?Group $where): array
    {
        if ($where === null) {
            return [];
        }
        if ($where->join !== Join::All) {
            return ['where' => $where];
        }
        $steps = [];
        foreach ($where->members as $i => $member) {
            $steps["where.all[{$i}]"] = $member;
        }

        return $steps;
    }
}
