<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test;

/** True if the record has a value. */
final readonly class Filled implements Test
{
    use ValueTest;
    use WithoutValue;

    public function __construct(public bool $filled)
    {
    }

    public function key(): string
    {
        return $this->filled ? 'filled' : 'empty';
    }

    public function suits(Family $family): bool
    {
        return $family !== Family::Identity && $family !== Family::Words;
    }

    public function usesIndex(): bool
    {
        return false;
    }

    public function isNegative(): bool
    {
        return ! $this->filled;
    }

    public function keeps(mixed $found, BoundCondition $condition, Context $context): bool
    {
        return ($found !== null) === $this->filled;
    }

    public function words(Condition $condition): string
    {
        return $this->filled ? 'is filled' : 'is empty';
    }
}
