<?php

declare(strict_types=1);

namespace App\Tasks;

/**
 * Long work that writes no content, so that nobody has to wait for it.
 *
 * @template-covariant TAnswer of array<string, mixed>
 *
 * @extends LongWork<TAnswer>
 */
interface OnlyReads extends LongWork
{
}
