<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Value;

/** What of the page a value is taken from. */
enum SubjectPart: string
{
    case Term = 'term';
    case Item = 'item';
    case Month = 'month';
    case Person = 'person';
}
