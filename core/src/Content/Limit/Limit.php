<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Limit;

/** The limits of a field, by their keyword in a type file. */
enum Limit: string
{
    case Unit = 'unit';
    case Minimum = 'minimum';
    case Maximum = 'maximum';
    case Decimals = 'decimals';
    case MinLength = 'minLength';
    case MaxLength = 'maxLength';
    case Pattern = 'pattern';
    case Earliest = 'earliest';
    case Latest = 'latest';
    case RangeFrom = 'rangeFrom';
    case MaxItems = 'maxItems';
    case Choices = 'choices';
    case Types = 'types';
    case Default = 'default';
}
