<?php

declare(strict_types=1);

namespace Wellspring\Core\Paging;

/** How a visitor gets from one page of a listing to the next. */
enum PagingMode: string
{
    case Fixed = 'fixed';
    case Numbered = 'numbered';
    case OlderNewer = 'olderNewer';
    case More = 'more';
    case Continuous = 'continuous';

    public function words(): string
    {
        return match ($this) {
            self::Fixed => 'and no more',
            self::Numbered => 'with numbered pages',
            self::OlderNewer => 'with older and newer',
            self::More => 'with a “more” button',
            self::Continuous => 'and go on as the visitor reads',
        };
    }
}
