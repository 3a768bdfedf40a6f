<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

use Wellspring\Core\Time\Span;

/** Values that a test keeps at one moment; its ends move on with the clock. */
final readonly class MovingSpan
{
    /** @param  bool  $keepsLocalTime  whether the far end keeps the local time of day, also when clocks change */
    public function __construct(public Span $span, public bool $keepsLocalTime)
    {
    }
}
