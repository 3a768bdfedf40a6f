<?php

declare(strict_types=1);

namespace App\Listing\Compile\Test;

use App\Listing\Compile\Fragment;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;

/**
 * The SQL of one of the core's tests.
 *
 * @template T of \Wellspring\Core\Filter\Test
 */
interface TestSql
{
    /** @return class-string<T> the test it stands for */
    public function test(): string;

    /**
     * @param  T  $test
     * @param  BoundCondition  $condition  a condition with a value
     * @param  string  $of  the table whose records are tested
     */
    public function fragment(object $test, BoundCondition $condition, Context $context, string $of): Fragment;
}
