<?php

declare(strict_types=1);

namespace App\Site\Listings;

use App\Site\Address\PageAddress;
use Wellspring\Core\Choice\Facet;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Page\Block\ModuleBlock;
use Wellspring\Core\Paging\PageNumbers;
use Wellspring\Core\Run\Result;
use Wellspring\Core\Wording\Format;

/** A module after its run, with everything that an output needs to write it. */
final readonly class VisitorListing
{
    /**
     * @param  list<Facet>  $facets  the options of the offer's filters
     * @param  list<Record>  $records  of the page, in order
     * @param  PageAddress  $address  of the page that it stands on
     * @param  string|false  $heading  the heading; false: none
     * @param  int  $time  the number of times that the module has appeared on the page, this time included
     * @param  int  $level  of the heading
     */
    public function __construct(
        public BoundModule $module,
        public Result $result,
        public array $records,
        public Context $context,
        public PageAddress $address,
        public string|false $heading,
        public array $facets = [],
        public int $time = 1,
        public int $level = ModuleBlock::LEVEL,
    ) {
    }

    /** The text above the records, such as "1–12 of 60"; empty if there is none. */
    public function countWords(Format $format): string
    {
        $pattern = $this->module->page->count;
        $places = (new PageNumbers(max(0, $this->result->total), $this->module->page->size))
            ->places($this->result->page);

        return match (true) {
            $pattern !== '' => $format->inWords($pattern, $places),
            $this->module->own->offer !== null => $format->words()->text('listing.count', $places),
            default => '',
        };
    }

    /**
     * @param  string|false  $heading  the heading; false: none
     * @param  int  $time  the number of times that the module has appeared on the page, this time included
     * @param  int  $level  of the heading
     */
    public function standing(string|false $heading, int $time, int $level = ModuleBlock::LEVEL): self
    {
        return new self(
            $this->module,
            $this->result,
            $this->records,
            $this->context,
            $this->address,
            $heading,
            $this->facets,
            $time,
            $level,
        );
    }
}
