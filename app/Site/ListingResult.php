<?php

declare(strict_types=1);

namespace App\Site;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Run\Result;

/** A module that was run, with all that an output needs to write it. */
final readonly class ListingResult
{
    /**
     * @param  Module  $module  bound
     * @param  list<Record>  $records  of the page, in order
     * @param  PageAddress  $address  of the page that it stands on
     * @param  string|false  $heading  what stands over it; false: nothing
     * @param  int  $time  how many times the module stands on the page up to here
     */
    public function __construct(
        public Module $module,
        public Result $result,
        public array $records,
        public Context $context,
        public PageAddress $address,
        public string|false $heading,
        public int $time = 1,
    ) {
    }

    /** @param  int  $time  how many times the module stands on the page up to here */
    public function standing(int $time): self
    {
        return new self(
            $this->module,
            $this->result,
            $this->records,
            $this->context,
            $this->address,
            $this->heading,
            $time,
        );
    }
}
