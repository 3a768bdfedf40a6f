<?php

declare(strict_types=1);

namespace App\Listing\Compile\Test;

use App\Listing\Compile\FieldSql;
use App\Listing\Compile\Fragment;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Test\Filled;

/** @implements TestSql<Filled> */
final class FilledSql implements TestSql
{
    public function test(): string
    {
        return Filled::class;
    }

    public function fragment(object $test, BoundCondition $condition, Context $context, string $of): Fragment
    {
        $filled = FieldSql::filled($condition->field, $context, $of);

        return $test->filled ? $filled : $filled->not();
    }
}
