<?php

declare(strict_types=1);

namespace App\Tasks;

/**
 * Work that may take longer than a request should: all of it is written, or nothing.
 *
 * @template-covariant TAnswer of array<string, mixed>
 */
interface LongWork
{
    /** The name that tasks of this kind are stored under. */
    public static function key(): string;

    /**
     * @param  array<string, mixed>  $input  what the request asked for, as JSON holds it
     * @param  \Closure(int): void  $progress  told how many are done
     * @return TAnswer the answer
     *
     * @throws \Wellspring\Core\Problem\Refused
     */
    public function run(array $input, \Closure $progress): array;
}
