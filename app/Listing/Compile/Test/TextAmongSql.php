<?php

declare(strict_types=1);

namespace App\Listing\Compile\Test;

use App\Listing\Compile\FieldSql;
use App\Listing\Compile\Fragment;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Test\TextAmong;

/** @implements TestSql<TextAmong> */
final class TextAmongSql implements TestSql
{
    public function test(): string
    {
        return TextAmong::class;
    }

    public function fragment(object $test, BoundCondition $condition, Context $context, string $of): Fragment
    {
        $fragment = FieldSql::isOneOf($condition->field, $test->needles($condition), $of);

        return $test->isNegative() ? $fragment->not() : $fragment;
    }
}
