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

/** A filter that a module offers to visitors. */
final readonly class OfferedFilter
{
    /**
     * @param  string  $name  what the address calls it, after the offer's key
     * @param  Quantifier  $join  of several options: any of them, or all
     * @param  string  $label  empty: the field's
     * @param  list<string>  $options  values that may be chosen, in order; empty: all that the field has
     * @param  positive-int|null  $most  how many options show before “more”; null: all
     * @param  bool  $counts  whether a count stands beside each option
     * @param  bool  $open  whether it stands open at first
     * @param  Condition|Group|null  $rule  what it keeps, where the control lets that be said
     * @param  OptionValues|null  $settings  what is said for the control alone; null: nothing
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
     * Whether its rule asks nothing but those fields.
     *
     * @param  array<array-key, Field>  $fields  by key
     */
    public function asksOnly(array $fields): bool
    {
        $isThere = fn (Condition $condition): bool => ($fields[$condition->field->key] ?? null)?->family()
            === $condition->field->family();

        return array_filter($this->conditions(), $isThere) === $this->conditions();
    }

    /** The same, asked of another field. */
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

    /** What an option keeps, chosen alone. */
    public function ruleOf(string $option, Context $context): BoundCondition|BoundGroup
    {
        return $this->read($option)?->bound($context)->rule
            ?? throw new \LogicException("“{$option}” is an option of {$this->name}.");
    }

    /**
     * @param  string  $at  where it stands in the definition
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
