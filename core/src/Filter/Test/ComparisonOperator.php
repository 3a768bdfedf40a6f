<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

/** The comparison of two numbers. */
enum ComparisonOperator: string
{
    case Equal = 'eq';
    case NotEqual = 'ne';
    case Less = 'lt';
    case AtMost = 'lte';
    case More = 'gt';
    case AtLeast = 'gte';

    public function holds(int|float $found, int|float $given): bool
    {
        return match ($this) {
            self::Equal => $found == $given,
            self::NotEqual => $found != $given,
            self::Less => $found < $given,
            self::AtMost => $found <= $given,
            self::More => $found > $given,
            self::AtLeast => $found >= $given,
        };
    }

    public function words(): string
    {
        return match ($this) {
            self::Equal => 'is',
            self::NotEqual => 'is not',
            self::Less => 'is less than',
            self::AtMost => 'is at most',
            self::More => 'is more than',
            self::AtLeast => 'is at least',
        };
    }
}
