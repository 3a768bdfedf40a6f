<?php

declare(strict_types=1);

namespace App\Modules;

use Illuminate\Contracts\Events\ShouldDispatchAfterCommit;

/** What visitors get of modules is another than before: one was published, switched off or on, removed or restored. */
final readonly class LiveModulesChanged implements ShouldDispatchAfterCommit
{
}
