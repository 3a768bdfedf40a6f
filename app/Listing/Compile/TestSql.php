<?php

declare(strict_types=1);

namespace App\Listing\Compile;

use App\Listing\Fragment;
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

    /** @param  T  $test */
    public function fragment(object $test, Condition $condition): Fragment;
}
