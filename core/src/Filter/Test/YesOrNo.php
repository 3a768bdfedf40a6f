<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test;

/** A stated yes, or a stated no. */
final readonly class YesOrNo implements Test
{
    use ValueTest;
    use WithoutValue;

    public function __construct(public bool $yes)
    {
    }

    public function key(): string
    {
        return $this->yes ? 'yes' : 'no';
    }

    public function suits(Family $family): bool
    {
        return $family === Family::YesNo;
    }

    public function isNegative(): bool
    {
        return false;
    }

    public function keeps(mixed $found, BoundCondition $condition, Context $context): bool
    {
        return $found === $this->yes;
    }

    public function words(Condition $condition): string
    {
        return $this->yes ? 'is yes' : 'is no';
    }
}
