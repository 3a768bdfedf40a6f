<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;

/** Default answers of tests of the whole record. */
trait RecordTest
{
    use Defaults;

    public function asksRecord(): bool
    {
        return true;
    }

    public function keeps(mixed $found, BoundCondition $condition, Context $context): bool
    {
        throw new \LogicException("{$this->key()} asks the record as a whole.");
    }

    public function valueOrigins(Field $field): array
    {
        return [];
    }

    public function usesIndex(): bool
    {
        return false;
    }
}
