<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test;

/** Drops the item that the page is about. On a page without an item, it keeps everything. */
final readonly class NotThisOne implements Test
{
    use RecordTest;
    use WithoutValue;

    public function key(): string
    {
        return 'notThisOne';
    }

    public function suits(Family $family): bool
    {
        return $family === Family::Identity;
    }

    public function isNegative(): bool
    {
        return true;
    }

    public function lacks(Context $context): bool
    {
        return $context->page->item === null;
    }

    public function keepsRecord(Record $record, BoundCondition $condition, Context $context): bool
    {
        return $record->id !== $context->page->item?->id;
    }

    public function words(Condition $condition): string
    {
        return 'is not the one being shown';
    }
}
