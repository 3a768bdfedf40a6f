<?php

declare(strict_types=1);

namespace Tests\Plugins\ConditionTest;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Filter\Test\ValueTest;
use Wellspring\Core\Wording\Format;

/** A test: a whole number that two divides. */
final readonly class Even implements Test
{
    use ValueTest;

    public function key(): string
    {
        return 'even';
    }

    public function suits(Family $family): bool
    {
        return $family === Family::Number;
    }

    public function wantsValue(): bool
    {
        return false;
    }

    public function readValue(mixed $value, Field $field): mixed
    {
        return null;
    }

    public function valueSchema(): array
    {
        return [];
    }

    public function isNegative(): bool
    {
        return false;
    }

    public function keeps(mixed $found, BoundCondition $condition, Context $context): bool
    {
        return is_int($found) && $found % 2 === 0;
    }

    public function words(Condition $condition): string
    {
        return 'is even';
    }

    public function valueWords(Condition $condition, Format $format): string
    {
        return '';
    }
}
