<?php

declare(strict_types=1);

namespace Wellspring\Core\Empty;

/** What happens where a part has nothing to show. */
enum EmptyAction: string
{
    case LeaveOut = 'leaveOut';
    case LeaveOutLine = 'leaveOutLine';
    case Say = 'say';
}
