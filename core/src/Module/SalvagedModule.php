<?php

declare(strict_types=1);

namespace Wellspring\Core\Module;

use Wellspring\Core\Problem\Problem;

/**
 * A definition without its invalid rules, for example because a field or a term was removed. The manager can preview it
 * while correcting it. Every other rule keeps its place.
 */
final readonly class SalvagedModule
{
    /**
     * @param  list<Problem>  $problems  empty if the definition is valid
     * @param  list<string>  $aside  places of the removed rules: `where.all[1]`, `order[0]`, `card.lines[2].parts[0]`,
     *   `headings`
     */
    public function __construct(public Module $module, public array $problems, public array $aside)
    {
    }
}
