<?php

declare(strict_types=1);

namespace App\Site\Block;

use App\Freshness\Dependencies;
use App\Pages\LiveFrame;
use App\Site\Address\PageAddress;
use App\Site\Listings\VisitorListing;
use App\Site\Subject;
use Wellspring\Core\Context\Context;

/** What a page is drawn for, as its blocks and those of the frame need it. */
final readonly class PageScene
{
    /**
     * @param  Subject|null  $subject  null of a page that no definition makes: the search, what is not found
     * @param  Dependencies  $dependencies  told what a block reads
     * @param  (\Closure(string): (VisitorListing|null))|null  $listing  a module's listing on the page, by key;
     *   null where it does not stand there
     */
    public function __construct(
        public ?Subject $subject,
        public PageAddress $address,
        public Context $context,
        public LiveFrame $frame,
        public Dependencies $dependencies,
        private ?\Closure $listing = null,
    ) {
    }

    /** A module's listing on the page; null where it does not stand there. */
    public function listing(string $module): ?VisitorListing
    {
        return $this->listing === null ? null : ($this->listing)($module);
    }
}
