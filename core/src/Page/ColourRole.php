<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

/** The colours of the site that a band can stand on, by what they do there. */
enum ColourRole: string
{
    /** The page's own ground. */
    case Paper = 'paper';
    /** A quiet ground. */
    case Bed = 'bed';
    /** That of text; text on it has the page's ground. */
    case Ink = 'ink';
    /** That of links and buttons, likewise. */
    case Leaf = 'leaf';
    /** That of sale and warnings, likewise. */
    case Copper = 'copper';
}
