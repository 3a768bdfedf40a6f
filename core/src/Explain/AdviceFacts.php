<?php

declare(strict_types=1);

namespace Wellspring\Core\Explain;

use Wellspring\Core\Choice\Facet;
use Wellspring\Core\Look\Contrasts;

/**
 * The facts that advice on a module needs, apart from its definition.
 *
 * @phpstan-import-type ContrastShape from Contrasts
 */
final readonly class AdviceFacts
{
    /**
     * @param  int  $total  the total number of shown records
     * @param  int  $passing  the number of records that pass its conditions, before its empty-value rules
     * @param  array<string, int>  $emptyParts  the number of those with nothing to show in each part, by the part's
     *   place
     * @param  list<ContrastShape>  $contrasts  of the site's look
     * @param  list<string>  $deadLinks  places of parts whose links lead to no page
     * @param  list<array{name: string, shows: int}>  $twins  modules on the same page that show the same records
     * @param  list<Facet>  $facets  the options of its filters
     * @param  array<string, list<float>>  $slots  widths of the slots with the module, in px, by window width
     * @param  float  $space  one step of the look's spacing, in px
     */
    public function __construct(
        public int $total,
        public int $passing,
        public array $emptyParts,
        public array $contrasts,
        public array $deadLinks = [],
        public array $twins = [],
        public array $facets = [],
        public array $slots = [],
        public float $space = 8,
    ) {
    }
}
