<?php

declare(strict_types=1);

namespace App\Site;

use Wellspring\Core\Page\Block;
use Wellspring\Core\Run\Result;

/** A block of a page as it goes out. */
final readonly class DrawnBlock
{
    /**
     * @param  string  $html  safe: made by a view or an output
     * @param  bool  $usesScript  whether the page's script makes it better
     * @param  Result|null  $result  of a module
     */
    public function __construct(
        public Block $block,
        public string $html,
        public bool $usesScript = false,
        public ?Result $result = null,
    ) {
    }

    public function withHtml(string $html): self
    {
        return new self($this->block, $html, $this->usesScript, $this->result);
    }
}
