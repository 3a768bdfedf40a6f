<?php

declare(strict_types=1);

namespace App\Listing\Compile\Test;

use App\Listing\Compile\FieldSql;
use App\Listing\Compile\Fragment;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Test\Between;

/** @implements TestSql<Between> */
final class BetweenSql implements TestSql
{
    public function test(): string
    {
        return Between::class;
    }

    public function fragment(object $test, BoundCondition $condition, Context $context, string $of): Fragment
    {
        [$from, $to] = $test->readValue($condition->value, $condition->field);

        return new Fragment(
            FieldSql::number($condition->field, $of).' between ?::numeric and ?::numeric',
            [ComparisonSql::binding($from), ComparisonSql::binding($to)],
        );
    }
}
