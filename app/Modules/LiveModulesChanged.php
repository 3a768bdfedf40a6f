<?php

declare(strict_types=1);

namespace App\Modules;

use Illuminate\Contracts\Events\ShouldDispatchAfterCommit;

/** Event: the live modules changed, because one was published, switched off or on, removed or restored. */
final readonly class LiveModulesChanged implements ShouldDispatchAfterCommit
{
}
