<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

/** The window widths for layouts: phone < 640 px, tablet < 1024, laptop < 1440, desktop above. */
enum Width: string
{
    case Phone = 'phone';
    case Tablet = 'tablet';
    case Laptop = 'laptop';
    case Desktop = 'desktop';

    /** The window width in px that advice uses. */
    public function window(): int
    {
        return match ($this) {
            self::Phone => 390,
            self::Tablet => 768,
            self::Laptop => 1280,
            self::Desktop => 1440,
        };
    }
}
