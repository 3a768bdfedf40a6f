<?php

declare(strict_types=1);

namespace Wellspring\Core\Empty;

/** What happens if a part has nothing to show. */
enum EmptyAction: string
{
    case LeaveOut = 'leaveOut';
    case LeaveOutLine = 'leaveOutLine';
    case LeaveOutCard = 'leaveOutCard';
    case LeaveOutModule = 'leaveOutModule';
    case LeaveOutSlot = 'leaveOutSlot';
    case LeaveOutBand = 'leaveOutBand';
    case Say = 'say';
    case Use = 'use';
    case StandIn = 'standIn';
    case KeepSpace = 'keepSpace';

    /** @return non-empty-list<self> those of a part of a listing's card */
    public static function ofCards(): array
    {
        return [
            self::LeaveOut, self::LeaveOutLine, self::LeaveOutCard, self::Say, self::Use, self::StandIn,
            self::KeepSpace,
        ];
    }

    /** @return non-empty-list<self> those of a part of the one card of a spotlight, or of an item's own page */
    public static function ofOneCard(): array
    {
        return [...self::ofCards(), self::LeaveOutModule, self::LeaveOutSlot, self::LeaveOutBand];
    }

    /** @return non-empty-list<self> those of a page's block */
    public static function ofBlocks(): array
    {
        return [self::LeaveOut, self::LeaveOutSlot, self::LeaveOutBand, self::Say];
    }

    /** The level that is removed; null if something else shows instead. */
    public function level(): ?Level
    {
        return match ($this) {
            self::LeaveOut => Level::Part,
            self::LeaveOutLine => Level::Line,
            self::LeaveOutCard => Level::Card,
            self::LeaveOutModule => Level::Module,
            self::LeaveOutSlot => Level::Slot,
            self::LeaveOutBand => Level::Band,
            self::Say, self::Use, self::StandIn, self::KeepSpace => null,
        };
    }
}
