<?php

declare(strict_types=1);

namespace Wellspring\Core\Paging;

/** How visitors get from one page of a listing to the next. */
enum PagingMode: string
{
    case Fixed = 'fixed';
    case Numbered = 'numbered';
    case OlderNewer = 'olderNewer';
    case More = 'more';
    case Continuous = 'continuous';

    /** True if a script can append the next page to the list. */
    public function growsInPlace(): bool
    {
        return $this === self::More || $this === self::Continuous;
    }

    /** The default number of pages that load by themselves; null for modes without loading. */
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
