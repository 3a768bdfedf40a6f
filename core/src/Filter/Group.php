<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

use Wellspring\Core\Content\Reference;
use Wellspring\Core\Context\Context;

/** Conditions joined by all, any or none. A group that is empty or off keeps everything. */
readonly class Group
{
    /** @param  list<Condition|Group>  $members */
    public function __construct(
        public Join $join = Join::All,
        public array $members = [],
        public bool $off = false,
    ) {
    }

    public function bound(Context $context): BoundGroup
    {
        return new BoundGroup(
            $this->join,
            array_map(
                fn (Condition|Group $member): BoundCondition|BoundGroup => $member->bound($context),
                $this->members,
            ),
            $this->off,
        );
    }

    /**
     * @param  string  $at  its place in the definition
     * @param  list<string>  $types  keys of the content types whose items the module lists
     * @return list<Reference>
     */
    public function references(string $at, array $types): array
    {
        $all = [];
        foreach ($this->members as $i => $member) {
            array_push($all, ...$member->references("{$at}.{$this->join->value}[{$i}]", $types));
        }

        return $all;
    }

    /** @return list<Condition> at any depth, those that are off too */
    public function conditions(): array
    {
        $all = [];
        foreach ($this->members as $member) {
            array_push($all, ...$member instanceof Condition ? [$member] : $member->conditions());
        }

        return $all;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [$this->join->value => array_map(
            fn (Condition|Group $member): array => $member->toArray(),
            $this->members,
        )]
            + ($this->off ? ['off' => true] : []);
    }
}
