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
     * @param  int  $total  how many records it shows in all
     * @param  int  $passing  how many pass its conditions, before its empty-value rules
     * @param  array<string, int>  $emptyParts  how many of those have nothing to show in each part, by its place
     * @param  list<ContrastShape>  $contrasts  of the site's look
     * @param  list<string>  $deadLinks  places of parts that lead to no page
     * @param  list<array{name: string, shows: int}>  $twins  modules of the same page that show the same records
     * @param  list<Facet>  $facets  what its filters have to choose
     * @param  array<string, list<float>>  $slots  widths of the slots where it is placed, in px, by width of the window
     * @param  float  $space  a step of the look's room, in px
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
