<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

/** The visual weight of a band. */
enum Tone: string
{
    case Plain = 'plain';
    case Quiet = 'quiet';
    case Strong = 'strong';
}
