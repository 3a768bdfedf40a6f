<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

use Wellspring\Core\Content\Field;

/**
 * A way for visitors to filter by a field: how a choice stands in the address, and which condition it makes.
 *
 * To add one: a class here, a line in FilterControls (or config/plugins.php).
 */
interface FilterControl
{
    /** The `as` of a filter in a definition. */
    public function key(): string;

    public function suits(Field $field): bool;

    /** Whether it lets several options be chosen at once; a filter's `join` is for those alone. */
    public function takesSeveral(): bool;

    /**
     * @return array<array-key, string> the labels of what can be chosen, by the value that stands in the address, in
     *   order; empty where it is no list
     */
    public function options(Field $field): array;

    /**
     * @param  string  $said  the parameter's value
     * @return ChosenFilter|null null where it says nothing that is offered
     */
    public function read(string $said, OfferedFilter $filter): ?ChosenFilter;
}
