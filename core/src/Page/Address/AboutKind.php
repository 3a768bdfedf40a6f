<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Address;

/** The kind of record that a page with a placeholder is about. */
enum AboutKind: string
{
    case Term = 'term';
    case Item = 'item';
    case Month = 'month';
    case Year = 'year';
    case Person = 'person';
}
