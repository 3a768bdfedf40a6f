<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Text\Html;

/** Whether a text has anything to read. It stands in no definition: cards ask it. */
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
