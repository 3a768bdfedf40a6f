<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

/** How the options of a filter are counted. */
enum Counting
{
    /** An option counts the records with its value, or with a term below it. */
    case Values;

    /** An option counts the records that its own condition keeps. */
    case Rules;

    /** A range of numbers: the least and greatest value, and their distribution. */
    case Numbers;

    /** A range of days, with the same figures. */
    case Days;

    /** The filter has no counts. */
    case Nothing;

    public function isRange(): bool
    {
        return $this === self::Numbers || $this === self::Days;
    }
}
