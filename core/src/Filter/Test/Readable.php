<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Text\Html;

/** True if a text has anything visible. Only cards use this test; definitions cannot. */
final readonly class Readable implements Test
{
    use ValueTest;
    use WithoutValue;

    public function key(): string
    {
        return 'readable';
    }

    public function suits(Family $family): bool
    {
        return $family === Family::LongText;
    }

    public function usesIndex(): bool
    {
        return false;
    }

    public function isNegative(): bool
    {
        return false;
    }

    public function keeps(mixed $found, BoundCondition $condition, Context $context): bool
    {
        return is_string($found) && Html::visibleText($found) !== '';
    }

    public function words(Condition $condition): string
    {
        return 'has words';
    }
}
