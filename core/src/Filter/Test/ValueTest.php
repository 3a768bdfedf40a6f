<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;

/** Default answers of tests of one value. */
trait ValueTest
{
    use Defaults;

    public function asksRecord(): bool
    {
        return false;
    }

    public function lacks(Context $context): bool
    {
        return false;
    }

    public function keepsRecord(Record $record, BoundCondition $condition, Context $context): bool
    {
        return $this->keeps($record->value($condition->field), $condition, $context);
    }

    public function valueOrigins(Field $field): array
    {
        return match (true) {
            ! $this->wantsValue() => [],
            $field->family() === Family::Person => ['page', 'viewer'],
            default => ['page'],
        };
    }

    public function usesIndex(): bool
    {
        return ! $this->isNegative();
    }
}
