<?php

declare(strict_types=1);

namespace App\Listing\Compile\Test;

use App\Listing\Compile\FieldSql;
use App\Listing\Compile\Fragment;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Test\Comparison;
use Wellspring\Core\Filter\Test\ComparisonOperator;

/** @implements TestSql<Comparison> */
final class ComparisonSql implements TestSql
{
    public function test(): string
    {
        return Comparison::class;
    }

    public function fragment(object $test, BoundCondition $condition, Context $context, string $of): Fragment
    {
        $operator = match ($test->operator) {
            ComparisonOperator::Equal, ComparisonOperator::NotEqual => '=',
            ComparisonOperator::Less => '<',
            ComparisonOperator::AtMost => '<=',
            ComparisonOperator::More => '>',
            ComparisonOperator::AtLeast => '>=',
        };
        $fragment = new Fragment(
            FieldSql::number($condition->field, $of)." {$operator} ?::numeric",
            [self::binding($condition->value)],
        );

        return $test->operator === ComparisonOperator::NotEqual ? $fragment->not() : $fragment;
    }

    /** The number in its shortest exact form, like stored values. */
    public static function binding(mixed $number): string
    {
        return json_encode(Comparison::number($number), JSON_THROW_ON_ERROR);
    }
}
