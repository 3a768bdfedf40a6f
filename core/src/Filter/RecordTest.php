<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;

/** A test of the record as a whole, not of one value. */
interface RecordTest extends Test
{
    public function keepsRecord(Record $record, Condition $condition, Context $context): bool;

    /**
     * What the page must be about for the test to mean something; where it is not, the condition's value is missing.
     */
    public function lacks(Context $context): bool;
}
