<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Value;

/** What a condition does when its value is missing. */
enum WhenMissing: string
{
    case KeepAll = 'keepAll';
    case KeepNone = 'keepNone';
}
