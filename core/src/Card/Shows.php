<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

/** Where what a part shows comes from: from the record, or from its empty-value rule. */
enum Shows: string
{
    case Value = 'value';
    case Said = 'said';
    case Other = 'other';
    case StandIn = 'standIn';
    case Space = 'space';
}
