<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

/** How what can be chosen of a filter is counted. */
enum Counting
{
    /** An option stands for the records that hold its value, or a term below it. */
    case Values;

    /** An option stands for the records that its own condition keeps. */
    case Rules;

    /** A range of numbers: the least, the greatest, and how the values lie between. */
    case Numbers;

    /** A range of days, likewise. */
    case Days;

    /** There is nothing to count beside it. */
    case Nothing;

    public function isRange(): bool
    {
        return $this === self::Numbers || $this === self::Days;
    }
}
