<?php

declare(strict_types=1);

namespace Wellspring\Core\Module;

use Wellspring\Core\Problem\Problem;

/**
 * A definition some of whose rules no longer make sense, because a field or a term is gone, with those rules set aside:
 * enough of a module to look at while the manager corrects it. Every other rule keeps its place.
 */
final readonly class SalvagedModule
{
    /**
     * @param  list<Problem>  $problems  none: nothing was wrong
     * @param  list<string>  $aside  places of the rules that were set aside: `where.all[1]`, `order[0]`,
     *   `card.lines[2].parts[0]`, `headings`
     */
    public function __construct(public Module $module, public array $problems, public array $aside)
    {
    }
}
