<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Limit\LimitReader;
use Wellspring\Core\Content\Limit\Limits;

/** For kinds that ask nothing of their values beyond what they are. */
trait NoLimits
{
    public function readLimits(LimitReader $words): Limits
    {
        return new Limits;
    }
}
