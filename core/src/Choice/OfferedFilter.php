<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Filter\Test\Quantifier;

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
    ) {
    }

    public function label(): string
    {
        return $this->label === '' ? $this->field->label : $this->label;
    }

    /** @return array<array-key, string> labels of what may be chosen, by value, in order */
    public function options(): array
    {
        $all = $this->control->options($this->field);
        $named = [];
        foreach ($this->options as $value) {
            if (isset($all[$value])) {
                $named[$value] = $all[$value];
            }
        }

        return $this->options === [] ? $all : $named;
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
        );
    }

    public function read(string $said): ?ChosenFilter
    {
        return $this->control->read($said, $this);
    }

    /**
     * @param  string  $at  where it stands in the definition
     * @param  list<string>  $types  keys of the content types whose items the module lists
     * @return list<Reference>
     */
    public function references(string $at, array $types): array
    {
        $all = [Reference::toField("{$at}.field", $this->field, $types)];
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
            + ($this->open ? [] : ['open' => false]);
    }
}
