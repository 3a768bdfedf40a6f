<?php

declare(strict_types=1);

namespace App\Listing\Compile\Test;

use App\Listing\Compile\FieldSql;
use App\Listing\Compile\Fragment;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Test\YesOrNo;

/** @implements TestSql<YesOrNo> */
final class YesOrNoSql implements TestSql
{
    public function test(): string
    {
        return YesOrNo::class;
    }

    public function fragment(object $test, BoundCondition $condition, Context $context, string $of): Fragment
    {
        $said = $test->yes ? 'true' : 'false';

        return new Fragment(
            FieldSql::raw($condition->field, $of).(
                $condition->field->origin === Origin::Item ? " = {$said}" : " = '{$said}'"
            ),
        );
    }
}
