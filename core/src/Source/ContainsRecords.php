<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;

/** What a source holds: records of a kind that it takes, which the viewer may see, and which nothing speaks against. */
trait ContainsRecords
{
    public function contains(Record $record, Context $context): bool
    {
        return $this->accepts($record->type) && $context->admits($record) && $this->whyNot($record, $context) === '';
    }
}
