<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Value;

/** The part of the page that gives a value. */
enum SubjectPart: string
{
    case Term = 'term';
    case Item = 'item';
    case Month = 'month';
    case Person = 'person';
}
