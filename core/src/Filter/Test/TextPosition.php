<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

/** Where in a text the given text is looked for. */
enum TextPosition: string
{
    case Whole = 'is';
    case Contains = 'contains';
    case Begins = 'begins';
    case Ends = 'ends';
}
