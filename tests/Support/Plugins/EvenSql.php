<?php

declare(strict_types=1);

namespace Tests\Support\Plugins;

use App\Listing\Compile\Test\TestSql;
use App\Listing\FieldSql;
use App\Listing\Fragment;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Condition;

/** @implements TestSql<Even> */
final class EvenSql implements TestSql
{
    public function test(): string
    {
        return Even::class;
    }

    public function fragment(object $test, Condition $condition, Context $context, string $of): Fragment
    {
        return new Fragment(FieldSql::number($condition->field, $of).' % 2 = 0');
    }
}
