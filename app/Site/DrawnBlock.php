<?php

declare(strict_types=1);

namespace App\Site;

use Wellspring\Core\Page\Block;
use Wellspring\Core\Run\Result;

/** A block of a page as it is sent. */
final readonly class DrawnBlock
{
    /**
     * @param  string  $html  safe, because a view or an output made it
     * @param  list<string>  $scripts  names of the scripts in resources/js/site that improve the block
     * @param  Result|null  $result  of a module
     */
    public function __construct(
        public Block $block,
        public string $html,
        public array $scripts = [],
        public ?Result $result = null,
    ) {
    }

    public function withHtml(string $html): self
    {
        return new self($this->block, $html, $this->scripts, $this->result);
    }
}
