<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Limit\Limit;
use Wellspring\Core\Content\Limit\LimitReader;
use Wellspring\Core\Content\Limit\Limits;

/** Common code of the kinds for days and instants: the value is a text, and its limits are days. */
trait Dated
{
    use SingleText;

    public function limits(): array
    {
        return [Limit::Earliest, Limit::Latest, Limit::RangeFrom, Limit::Default];
    }

    public function readLimits(LimitReader $words): Limits
    {
        [$earliest, $latest] = $words->days();

        return new Limits(earliest: $earliest, latest: $latest, rangeFrom: $words->rangeFrom());
    }
}
