<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Text\Html;
use Wellspring\Core\Wording\Format;

/** Whether a text has anything to read. It stands in no definition: cards ask it. */
final readonly class Readable implements Test
{
    use ValueTest;

    public function key(): string
    {
        return 'readable';
    }

    public function suits(Family $family): bool
    {
        return $family === Family::LongText;
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

    public function usesIndex(): bool
    {
        return false;
    }

    public function isNegative(): bool
    {
        return false;
    }

    public function keeps(mixed $found, Condition $condition, Context $context): bool
    {
        return is_string($found) && Html::visibleText($found) !== '';
    }

    public function words(Condition $condition): string
    {
        return 'has words';
    }

    public function valueWords(Condition $condition, Format $format): string
    {
        return '';
    }
}
