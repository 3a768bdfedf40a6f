<?php

declare(strict_types=1);

namespace Wellspring\Core\Who;

/** Who sees a module, a page or an item. */
enum Audience: string
{
    case Everyone = 'everyone';
    case SignedOut = 'signed-out';
    case Members = 'members';

    public function words(): string
    {
        return match ($this) {
            self::Everyone => 'everyone',
            self::SignedOut => 'signed-out visitors',
            self::Members => 'members',
        };
    }

    /** @return non-empty-list<self> what someone of this audience sees */
    public function sees(): array
    {
        return $this === self::Everyone ? [self::Everyone] : [self::Everyone, $this];
    }
}
