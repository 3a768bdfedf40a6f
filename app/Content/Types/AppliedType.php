<?php

declare(strict_types=1);

namespace App\Content\Types;

use App\Models\Change;
use Wellspring\Core\Content\Type;

/** A type as it was stored. */
final readonly class AppliedType
{
    /** @param  Change|null  $change  what can be undone; null where the type is new */
    public function __construct(public Type $type, public ?Change $change)
    {
    }
}
