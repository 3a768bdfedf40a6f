<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

/** How loud a band is. */
enum Tone: string
{
    case Plain = 'plain';
    case Quiet = 'quiet';
    case Strong = 'strong';
}
