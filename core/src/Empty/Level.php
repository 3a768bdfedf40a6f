<?php

declare(strict_types=1);

namespace Wellspring\Core\Empty;

/** The levels of a page that can be left out, from the smallest to the largest. */
enum Level: int
{
    case Part = 0;
    case Line = 1;
    case Card = 2;
    case Module = 3;
    case Slot = 4;
    case Band = 5;
    case Page = 6;
}
