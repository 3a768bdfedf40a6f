<?php

declare(strict_types=1);

namespace Wellspring\Core\Run;

/** How many records are left after one step of the run. */
final readonly class Step
{
    /** @param  string  $name `source`, `where.all[0]` …, `where`, `choices`, `leaveOut`, `empty` or `total` */
    public function __construct(public string $name, public int $left)
    {
    }
}
