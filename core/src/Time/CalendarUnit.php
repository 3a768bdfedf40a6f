<?php

declare(strict_types=1);

namespace Wellspring\Core\Time;

/** A calendar's stretches of days. */
enum CalendarUnit: string
{
    case Day = 'day';
    case Week = 'week';
    case Month = 'month';
    case Year = 'year';
}
