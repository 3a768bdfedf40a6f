<?php

declare(strict_types=1);

namespace Tests\Plugins\ConditionTest;

use App\Listing\Compile\FieldSql;
use App\Listing\Compile\Fragment;
use App\Listing\Compile\Test\TestSql;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;

/** @implements TestSql<Even> */
final class EvenSql implements TestSql
{
    public function test(): string
    {
        return Even::class;
    }

    public function fragment(object $test, BoundCondition $condition, Context $context, string $of): Fragment
    {
        return new Fragment(FieldSql::number($condition->field, $of).' % 2 = 0');
    }
}
