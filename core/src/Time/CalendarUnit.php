<?php

declare(strict_types=1);

namespace Wellspring\Core\Time;

/** The units of a calendar. */
enum CalendarUnit: string
{
    case Day = 'day';
    case Week = 'week';
    case Month = 'month';
    case Year = 'year';
}
