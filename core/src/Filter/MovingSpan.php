<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

use Wellspring\Core\Time\Span;

/** The span of values that a test keeps at an instant. Its ends move with the clock. */
final readonly class MovingSpan
{
    /** @param  bool  $keepsLocalTime  true if the far end keeps the local time of day when clocks change */
    public function __construct(public Span $span, public bool $keepsLocalTime)
    {
    }
}
