<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Filter\Join;
use Wellspring\Core\Filter\Test\Filled;
use Wellspring\Core\Filter\Test\Readable;

/**
 * The set of records with some property, as a rule for both runs: whether a part has a value, whether a card is listed.
 * A known answer is a plain true or false.
 */
final readonly class Presence
{
    private function __construct(public Condition|Group|bool $rule)
    {
    }

    public static function always(): self
    {
        return new self(true);
    }

    public static function never(): self
    {
        return new self(false);
    }

    public static function where(Condition|Group $rule): self
    {
        return new self($rule);
    }

    /** The records whose value of the field is not empty. */
    public static function filled(Field $field): self
    {
        return $field->isNeverEmpty() ? self::always() : new self(new Condition($field, new Filled(true)));
    }

    /** The records whose text is visible, not only pictures. */
    public static function readable(Field $field): self
    {
        return new self(new Condition($field, new Readable));
    }

    /** @param  list<self>  $all */
    public static function all(array $all): self
    {
        return self::joined(Join::All, $all, true);
    }

    /** @param  list<self>  $any */
    public static function any(array $any): self
    {
        return self::joined(Join::Any, $any, false);
    }

    public function not(): self
    {
        return new self(is_bool($this->rule) ? ! $this->rule : new Group(Join::None, [$this->rule]));
    }

    public function isAlways(): bool
    {
        return $this->rule === true;
    }

    /** @param  list<self>  $members */
    private static function joined(Join $join, array $members, bool $neutral): self
    {
        $rules = [];
        foreach ($members as $member) {
            if (is_bool($member->rule)) {
                if ($member->rule !== $neutral) {
                    return $member;
                }
            } else {
                $rules[] = $member->rule;
            }
        }

        return match (count($rules)) {
            0 => new self($neutral),
            1 => new self($rules[0]),
            default => new self(new Group($join, $rules)),
        };
    }
}
