<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Frame;

/** A slot of the frame, around every page's body. */
enum FrameSlot: string
{
    case Header = 'header';
    case Before = 'before';
    case Side = 'side';
    case After = 'after';
    case Footer = 'footer';

    public function words(): string
    {
        return match ($this) {
            self::Header => 'In the header',
            self::Before => 'Before the body',
            self::Side => 'At the side',
            self::After => 'After the body',
            self::Footer => 'In the footer',
        };
    }
}
