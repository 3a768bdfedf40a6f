<?php

declare(strict_types=1);

namespace App\Site;

use App\Freshness\Dependencies;
use Wellspring\Core\Page\PageDefinition;
use Wellspring\Core\Page\ShownBand;

/** A page as it shows for one viewer at one instant, with what it was made of. */
final readonly class PageResult
{
    /** @param  list<ShownBand<DrawnBlock>>  $bands */
    public function __construct(
        public PageDefinition $page,
        public array $bands,
        public Dependencies $dependencies,
    ) {
    }

    /** Whether the page's script makes anything on it better. */
    public function usesScript(): bool
    {
        foreach ($this->bands as $band) {
            foreach ($band->slots as $slot) {
                foreach ($slot->blocks as $block) {
                    if ($block->usesScript) {
                        return true;
                    }
                }
            }
        }

        return false;
    }
}
