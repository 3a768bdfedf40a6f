<?php

declare(strict_types=1);

namespace App\Site;

use App\Freshness\Dependencies;
use Wellspring\Core\Page\PageDefinition;
use Wellspring\Core\Page\ShownBand;

/** A page as it shows for one viewer at one instant, with what it was made of. */
final readonly class PageResult
{
    /**
     * @param  list<ShownBand<DrawnBlock>>  $bands
     * @param  array<string, non-empty-list<DrawnBlock>>  $frame  by the value of FrameSlot
     * @param  list<string>  $parameterNames  what the names of the parameters begin with that it reads
     * @param  PageAddress  $address  with what the visitor has chosen, in the order of the offers: the canonical one
     */
    public function __construct(
        public PageDefinition $page,
        public Subject $subject,
        public array $bands,
        public array $frame,
        public Dependencies $dependencies,
        public PageAddress $address,
        public array $parameterNames,
    ) {
    }

    /** Whether the page's script makes anything on it better. */
    public function usesScript(): bool
    {
        return array_filter($this->blocks(), fn (DrawnBlock $block): bool => $block->usesScript) !== [];
    }

    /** Whether a heading of the first level stands in the body. */
    public function hasTitle(): bool
    {
        return $this->page->showsTitle
            || array_filter($this->blocks(), fn (DrawnBlock $block): bool => str_contains($block->html, '<h1')) !== [];
    }

    /** @return list<DrawnBlock> of the body and of the frame */
    private function blocks(): array
    {
        $all = array_merge(...array_values($this->frame));
        foreach ($this->bands as $band) {
            foreach ($band->slots as $slot) {
                array_push($all, ...$slot->blocks);
            }
        }

        return $all;
    }
}
