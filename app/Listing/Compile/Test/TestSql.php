<?php

declare(strict_types=1);

namespace App\Listing\Compile\Test;

use App\Listing\Compile\Fragment;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Condition;

/**
 * The query of one of the core's tests.
 *
 * @template T of \Wellspring\Core\Filter\Test
 */
interface TestSql
{
    /** @return class-string<T> the test it stands for */
    public function test(): string;

    /**
     * @param  T  $test
     * @param  Condition  $condition  bound
     * @param  string  $of  the table, in the query, whose records are asked
     */
    public function fragment(object $test, Condition $condition, Context $context, string $of): Fragment;
}
