<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

/** The site colours that a band can have as background. */
enum ColourRole: string
{
    /** The page's own background. */
    case Paper = 'paper';
    /** A quiet background. */
    case Bed = 'bed';
    /** The text colour; text on it has the page's background colour. */
    case Ink = 'ink';
    /** The colour of links and buttons; text on it has the page's background colour. */
    case Leaf = 'leaf';
    /** The colour of sales and warnings; text on it has the page's background colour. */
    case Copper = 'copper';
}
