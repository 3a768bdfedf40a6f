<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;

/** The context of sorting: the module's key, the context of the run, and all records of the source. */
final readonly class SortContext
{
    /** @param  list<Record>  $source  every candidate */
    public function __construct(public string $module, public Context $context, public array $source)
    {
    }
}
