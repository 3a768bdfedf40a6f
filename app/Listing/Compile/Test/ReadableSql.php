<?php

declare(strict_types=1);

namespace App\Listing\Compile\Test;

use App\Listing\Compile\FieldSql;
use App\Listing\Compile\Fragment;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Test\Readable;

/**
 * Only the visible text of HTML is folded.
 *
 * @implements TestSql<Readable>
 */
final class ReadableSql implements TestSql
{
    public function test(): string
    {
        return Readable::class;
    }

    public function fragment(object $test, BoundCondition $condition, Context $context, string $of): Fragment
    {
        return new Fragment(FieldSql::folded($condition->field, $of).' is not null');
    }
}
