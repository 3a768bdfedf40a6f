<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;

/**
 * A group bound to the context of a run. Members without effect are ignored.
 *
 * @property-read list<BoundCondition|BoundGroup> $members
 *
 * @method list<BoundCondition> conditions()
 */
final readonly class BoundGroup extends Group
{
    /** @param  list<BoundCondition|BoundGroup>  $members */
    public function __construct(Join $join = Join::All, array $members = [], bool $off = false)
    {
        parent::__construct($join, $members, $off);
    }

    /** Returns itself, because all values are known. */
    public function bound(Context $context): self
    {
        return $this;
    }

    /** @param  Record  $record  as the viewer sees it, see Record::seenThrough() */
    public function keeps(Record $record, Context $context): bool
    {
        $members = $this->off ? [] : $this->active();
        if ($members === []) {
            return true;
        }
        foreach ($members as $member) {
            $kept = $member->keeps($record, $context);
            if ($kept !== ($this->join === Join::All)) {
                return $this->join === Join::Any;
            }
        }

        return $this->join !== Join::Any;
    }

    /**
     * @return list<BoundCondition|BoundGroup> the members with an effect: not off, and not keeping everything for want
     *   of a value
     */
    public function active(): array
    {
        return array_values(
            array_filter(
                $this->members,
                fn (BoundCondition|BoundGroup $member): bool => ! (
                    $member instanceof BoundCondition ? $member->isInactive() : $member->off
                ),
            ),
        );
    }
}
