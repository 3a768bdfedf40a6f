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

    /** Whether a script can put what comes next at the end of the list, where it otherwise is a page of its own. */
    public function growsInPlace(): bool
    {
        return $this === self::More || $this === self::Continuous;
    }

    /** How many pages are loaded without a click unless the rule says it; null of a mode that loads none. */
    public function defaultLoads(): ?int
    {
        return $this === self::Continuous ? PagingRule::LOADS : null;
    }

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
