<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Value;

/** The effect of a missing value on a condition. */
enum WhenMissing: string
{
    case KeepAll = 'keepAll';
    case KeepNone = 'keepNone';
}
