<?php

declare(strict_types=1);

namespace App\Site\Block;

use App\Freshness\Dependencies;
use App\Pages\LiveFrame;
use App\Site\Address\PageAddress;
use App\Site\Listings\VisitorListing;
use App\Site\Subject;
use Wellspring\Core\Context\Context;

/** The context in which a page's blocks and the frame's blocks are drawn. */
final readonly class PageScene
{
    /**
     * @param  Subject|null  $subject  null for pages without a definition, such as the search or "not found"
     * @param  Dependencies  $dependencies  records what a block reads
     * @param  (\Closure(string): (VisitorListing|null))|null  $listing  the listing of a module on the page, by key;
     *   null if it is not on the page
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

    /** The listing of a module on the page; null if it is not on the page. */
    public function listing(string $module): ?VisitorListing
    {
        return $this->listing === null ? null : ($this->listing)($module);
    }
}
