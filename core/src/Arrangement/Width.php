<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

/** The widths at which a page is laid out: phone < 640 px, tablet < 1024, laptop < 1440, desktop from there. */
enum Width: string
{
    case Phone = 'phone';
    case Tablet = 'tablet';
    case Laptop = 'laptop';
    case Desktop = 'desktop';

    /** A window of this width, in px, for which advice is given. */
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
