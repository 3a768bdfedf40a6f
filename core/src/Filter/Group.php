<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Context\Context;

/**
 * Conditions joined by all, any or none. A group with nothing in it, or that is off, keeps everything; a member that
 * asks nothing is not there.
 */
final readonly class Group
{
    /** @param  list<Condition|Group>  $members */
    public function __construct(
        public Join $join = Join::All,
        public array $members = [],
        public bool $off = false,
    ) {
    }

    public function bound(Context $context): self
    {
        return new self(
            $this->join,
            array_map(fn (Condition|Group $member): Condition|Group => $member->bound($context), $this->members),
            $this->off,
        );
    }

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
     * @return list<Condition|Group> the members that ask something: neither off, nor without a value while they then
     *   keep everything
     */
    public function active(): array
    {
        return array_values(
            array_filter(
                $this->members,
                fn (Condition|Group $member): bool => ! (
                    $member instanceof Condition ? $member->isInactive() : $member->off
                ),
            ),
        );
    }

    /**
     * @param  string  $at  where it stands in the definition
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
