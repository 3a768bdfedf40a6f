<?php

declare(strict_types=1);

namespace App\Listing\Compile\Test;

use App\Listing\Compile\Fragment;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Test\NotThisOne;

/** @implements TestSql<NotThisOne> */
final class NotThisOneSql implements TestSql
{
    public function test(): string
    {
        return NotThisOne::class;
    }

    public function fragment(object $test, BoundCondition $condition, Context $context, string $of): Fragment
    {
        return new Fragment("{$of}.id <> ?", [$context->page->item?->id]);
    }
}
