<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\BoundGroup;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Filter\Test\Quantifier;
use Wellspring\Core\Option\OptionValues;

/** A filter in a module's offer. */
final readonly class OfferedFilter
{
    /**
     * @param  string  $name  its name in the address, after the offer's key
     * @param  Quantifier  $join  whether a record must have any of the chosen options, or all
     * @param  string  $label  empty: the field's label
     * @param  list<string>  $options  the offered values, in order; empty: all values of the field
     * @param  positive-int|null  $most  the number of options before “more”; null: all
     * @param  bool  $counts  true if each option has a count
     * @param  bool  $open  true if it is open at first
     * @param  Condition|Group|null  $rule  the rule of the manager, if the control has one
     * @param  OptionValues|null  $settings  the options of its control; null: none
     */
    public function __construct(
        public Field $field,
        public FilterControl $control,
        public string $name,
        public Quantifier $join = Quantifier::Any,
        public string $label = '',
        private array $options = [],
        public ?int $most = null,
        public bool $counts = true,
        public bool $open = true,
        public Condition|Group|null $rule = null,
        private ?OptionValues $settings = null,
    ) {
    }

    public function label(): string
    {
        return $this->label === '' ? $this->field->label : $this->label;
    }

    /** @return array<array-key, string> labels of what may be chosen, by value, in order */
    public function options(): array
    {
        $all = $this->control->options($this);
        $named = [];
        foreach ($this->options as $value) {
            if (isset($all[$value])) {
                $named[$value] = $all[$value];
            }
        }

        return $this->options === [] ? $all : $named;
    }

    /** @return array<array-key, int> how deep each option of a tree stands below others that may be chosen */
    public function depths(): array
    {
        $terms = $this->field->taxonomy?->terms;
        if ($terms === null || ! $this->control->showsTree()) {
            return [];
        }
        $depths = [];
        $offered = $this->options();
        foreach ($terms->asTree() as ['term' => $term]) {
            if (isset($offered[$term->slug])) {
                for ($above = $term->parent; $above !== null && ! isset($depths[$above]);) {
                    $above = $terms->find($above)?->parent;
                }
                $depths[$term->slug] = $above === null ? 0 : $depths[$above] + 1;
            }
        }

        return $depths;
    }

    /** @return list<Condition> what its rule asks, at any depth */
    public function conditions(): array
    {
        return $this->rule instanceof Group ? $this->rule->conditions() : array_filter([$this->rule]);
    }

    /**
     * True if its rule uses only the given fields.
     *
     * @param  array<array-key, Field>  $fields  by key
     */
    public function asksOnly(array $fields): bool
    {
        $isThere = fn (Condition $condition): bool => ($fields[$condition->field->key] ?? null)?->family()
            === $condition->field->family();

        return array_filter($this->conditions(), $isThere) === $this->conditions();
    }

    /** The same filter on another field. */
    public function on(Field $field): self
    {
        return new self(
            $field,
            $this->control,
            $this->name,
            $this->join,
            $this->label,
            $this->options,
            $this->most,
            $this->counts,
            $this->open,
            $this->rule,
            $this->settings,
        );
    }

    public function settings(): OptionValues
    {
        return $this->settings ?? OptionValues::defaults($this->control->settings());
    }

    public function read(string $said): ?ChosenFilter
    {
        return $this->control->read($said, $this);
    }

    /** The condition of a single option. */
    public function ruleOf(string $option, Context $context): BoundCondition|BoundGroup
    {
        return $this->read($option)?->bound($context)->rule
            ?? throw new \LogicException("“{$option}” is an option of {$this->name}.");
    }

    /**
     * @param  string  $at  its place in the definition
     * @param  list<string>  $types  keys of the content types whose items the module lists
     * @return list<Reference>
     */
    public function references(string $at, array $types): array
    {
        $all = [
            Reference::toFieldKeptAs("{$at}.field", 'name', $this->field, $types),
            ...$this->rule?->references("{$at}.rule", $types) ?? [],
        ];
        $taxonomy = $this->field->taxonomy;
        if ($taxonomy !== null) {
            foreach ($this->options as $i => $slug) {
                $all[] = Reference::toTerm("{$at}.options[{$i}]", $taxonomy->key, $slug);
            }
        }

        return $all;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['field' => $this->field->key, 'as' => $this->control->key()]
            + ($this->name === $this->field->key ? [] : ['name' => $this->name])
            + ($this->join === Quantifier::Any ? [] : ['join' => 'all'])
            + ($this->label === '' ? [] : ['label' => $this->label])
            + ($this->options === [] ? [] : ['options' => $this->options])
            + ($this->most === null ? [] : ['most' => $this->most])
            + ($this->counts ? [] : ['counts' => false])
            + ($this->open ? [] : ['open' => false])
            + ($this->rule === null ? [] : ['rule' => $this->rule->toArray()])
            + ($this->settings?->said() ?? []);
    }
}
