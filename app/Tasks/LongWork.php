<?php

declare(strict_types=1);

namespace App\Tasks;

/**
 * Work that may take longer than a request. It writes everything or nothing.
 *
 * @template-covariant TAnswer of array<string, mixed>
 */
interface LongWork
{
    /** The stored name of this kind of task. */
    public static function key(): string;

    /**
     * @param  array<string, mixed>  $input  the request's values, in the form of JSON
     * @param  \Closure(int): void  $progress  receives the number of processed items
     * @return TAnswer the answer
     *
     * @throws \Wellspring\Core\Problem\Refused
     */
    public function run(array $input, \Closure $progress): array;
}
