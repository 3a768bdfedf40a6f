<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Wording\Format;

/** Default answers of tests without a value to compare with. */
trait WithoutValue
{
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

    public function valueWords(Condition $condition, Format $format): string
    {
        return '';
    }
}
