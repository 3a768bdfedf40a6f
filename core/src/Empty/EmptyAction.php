<?php

declare(strict_types=1);

namespace Wellspring\Core\Empty;

/** What happens where something has nothing to show. */
enum EmptyAction: string
{
    case LeaveOut = 'leaveOut';
    case LeaveOutLine = 'leaveOutLine';
    case Say = 'say';

    /** What goes with it; null where it stays, with something else to show. */
    public function level(): ?Level
    {
        return match ($this) {
            self::LeaveOut => Level::Part,
            self::LeaveOutLine => Level::Line,
            self::Say => null,
        };
    }
}
