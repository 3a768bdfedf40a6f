<?php

declare(strict_types=1);

namespace Wellspring\Core\Calendar;

/** A calendar's stretches of days. */
enum Stretch: string
{
    case Day = 'day';
    case Week = 'week';
    case Month = 'month';
    case Year = 'year';
}
