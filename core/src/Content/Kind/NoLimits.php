<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Limit\LimitReader;
use Wellspring\Core\Content\Limit\Limits;

/** For kinds without limits. */
trait NoLimits
{
    public function readLimits(LimitReader $words): Limits
    {
        return new Limits;
    }
}
