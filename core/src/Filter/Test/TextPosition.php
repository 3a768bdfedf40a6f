<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

/** Where a text must contain the given text. */
enum TextPosition: string
{
    case Whole = 'is';
    case Contains = 'contains';
    case Begins = 'begins';
    case Ends = 'ends';
}
