<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Option\Option;
use Wellspring\Core\Wording\Format;

/**
 * A filter control: how a choice is written in the address, and the condition that it makes.
 *
 * To add one: a class here, a line in FilterControls (or config/plugins.php), and a view site/filters/KEY unless it is
 * a list of options.
 */
interface FilterControl
{
    /** The value of `as` in a definition. */
    public function key(): string;

    /** Its name for managers: “check boxes”. */
    public function words(): string;

    public function suits(Field $field): bool;

    /** True if several options can be chosen. Only such filters have a `join`. */
    public function takesSeveral(): bool;

    /** True if each option is a link, not part of a form. */
    public function isChosenByLinks(): bool;

    /** True if its choice is always visible, so that it is not repeated above the results. */
    public function showsItsChoice(): bool;

    /** True if the filter is one check box with the filter's name. */
    public function isOneBox(OfferedFilter $filter): bool;

    /** True if its options form a tree, where an option includes those below it. */
    public function showsTree(): bool;

    /** True if its filters have a rule of the manager: `"rule": {…}`. */
    public function takesRule(): bool;

    /**
     * @return list<'counts'|'most'|'open'> which of the settings that several controls share have an effect with it
     */
    public function takes(): array;

    /** @return list<Option> what a definition may say for it alone */
    public function settings(): array;

    /** How its options are counted. */
    public function counting(): Counting;

    /**
     * @return array<array-key, string> labels of the options, by their value in the address, in order; empty if it has
     *   no list
     */
    public function options(OfferedFilter $filter): array;

    /**
     * @param  string  $said  the parameter's value
     * @return ChosenFilter|null null where it says nothing that is offered
     */
    public function read(string $said, OfferedFilter $filter): ?ChosenFilter;

    /**
     * The text of an option for visitors.
     *
     * @param  string  $label  its label from options()
     */
    public function optionWords(string $value, string $label, Format $format): string;

    /** The text of the choice above the results: “Shade or Half shade”, “£3–£12”. */
    public function chosenWords(ChosenFilter $chosen, Format $format): string;
}
