<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Wording\Format;

/** A stated yes, or a stated no. */
final readonly class YesOrNo implements Test
{
    use ValueTest;

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

    public function keeps(mixed $found, Condition $condition, Context $context): bool
    {
        return $found === $this->yes;
    }

    public function words(Condition $condition): string
    {
        return $this->yes ? 'is yes' : 'is no';
    }

    public function valueWords(Condition $condition, Format $format): string
    {
        return '';
    }
}
