<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;

/** What an order takes from the run: the module's key, when and where it runs, and all records of the source. */
final readonly class SortContext
{
    /** @param  list<Record>  $source  every candidate */
    public function __construct(public string $module, public Context $context, public array $source)
    {
    }
}
