<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

/** The origin of a part's value: the record, or the empty-value rule. */
enum Shows: string
{
    case Value = 'value';
    case Said = 'said';
    case Other = 'other';
    case StandIn = 'standIn';
    case Space = 'space';
}
