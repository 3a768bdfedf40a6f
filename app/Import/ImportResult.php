<?php

declare(strict_types=1);

namespace App\Import;

use Wellspring\Core\Problem\Problem;

/** What an import did, and the faults of the rows that it did not take. */
final readonly class ImportResult
{
    /** @param  list<Problem>  $problems */
    public function __construct(public int $created, public int $changed, public int $unchanged, public int $bad, public array $problems)
    {
    }
}
