<?php

declare(strict_types=1);

namespace Wellspring\Core\Run;

/** The number of records after one step of the run. */
final readonly class Step
{
    public function __construct(public StepName $name, public int $left)
    {
    }
}
