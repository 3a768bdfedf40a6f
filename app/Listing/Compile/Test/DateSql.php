<?php

declare(strict_types=1);

namespace App\Listing\Compile\Test;

use App\Listing\Compile\FieldSql;
use App\Listing\Compile\Fragment;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Test\DateTest;

/**
 * All tests of dates and instants. Core computes the span that passes.
 *
 * @implements TestSql<DateTest>
 */
final class DateSql implements TestSql
{
    public function test(): string
    {
        return DateTest::class;
    }

    public function fragment(object $test, BoundCondition $condition, Context $context, string $of): Fragment
    {
        $value = FieldSql::moment($condition->field, $of);
        $span = $test->span($condition, $context);

        return Fragment::all([
            ...$span->from === null ? [] : [new Fragment("{$value} >= ?", [$span->from])],
            ...$span->until === null ? [] : [new Fragment("{$value} < ?", [$span->until])],
        ]);
    }
}
