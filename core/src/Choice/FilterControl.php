<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Option\Option;
use Wellspring\Core\Wording\Format;

/**
 * A way for visitors to filter by a field: how a choice stands in the address, and which rule it makes.
 *
 * To add one: a class here, a line in FilterControls (or config/plugins.php), and its view site/filters/KEY where it is
 * no list of options.
 */
interface FilterControl
{
    /** The `as` of a filter in a definition. */
    public function key(): string;

    /** What managers read: “check boxes”. */
    public function words(): string;

    public function suits(Field $field): bool;

    /** Whether it lets several options be chosen at once; a filter's `join` is for those alone. */
    public function takesSeveral(): bool;

    /** Whether each option is a link, and no part of a form. */
    public function isChosenByLinks(): bool;

    /** Whether what is chosen of it is always in sight, so that it need not be said above the results. */
    public function showsItsChoice(): bool;

    /** Whether the filter is one check box, under its own name. */
    public function isOneBox(OfferedFilter $filter): bool;

    /** Whether its options stand as a tree, and one keeps what is below it. */
    public function showsTree(): bool;

    /** Whether its filters say what they keep, as a rule of the manager's: `"rule": {…}`. */
    public function takesRule(): bool;

    /**
     * @return list<'counts'|'most'|'open'> which of the settings that several controls share have an effect with it
     */
    public function takes(): array;

    /** @return list<Option> what a definition may say for it alone */
    public function settings(): array;

    /** How what can be chosen is counted. */
    public function counting(): Counting;

    /**
     * @return array<array-key, string> the labels of what can be chosen, by the value that stands in the address, in
     *   order; empty where it is no list
     */
    public function options(OfferedFilter $filter): array;

    /**
     * @param  string  $said  the parameter's value
     * @return ChosenFilter|null null where it says nothing that is offered
     */
    public function read(string $said, OfferedFilter $filter): ?ChosenFilter;

    /**
     * How visitors read an option.
     *
     * @param  string  $label  as options() says it
     */
    public function optionWords(string $value, string $label, Format $format): string;

    /** How what is chosen reads above the results: “Shade or Half shade”, “£3–£12”. */
    public function chosenWords(ChosenFilter $chosen, Format $format): string;
}
