<?php

declare(strict_types=1);

namespace App\Content\Types;

use App\Models\Change;
use Wellspring\Core\Content\Type;

/** A stored type. */
final readonly class AppliedType
{
    /** @param  Change|null  $change  for the undo; null if the type is new */
    public function __construct(public Type $type, public ?Change $change)
    {
    }
}
