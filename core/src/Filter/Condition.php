<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Value\DynamicValue;
use Wellspring\Core\Filter\Value\WhenMissing;

/** A condition of a definition, which keeps or drops records. A condition that is off keeps everything. */
readonly class Condition
{
    /**
     * @param  mixed  $value  as the test reads it, or a DynamicValue
     * @param  WhenMissing|null  $whenMissing  null: the default of the value
     * @param  array<string, mixed>  $options  the options of its test
     */
    public function __construct(
        public Field $field,
        public Test $test,
        public mixed $value = null,
        public bool $below = false,
        public bool $off = false,
        public ?WhenMissing $whenMissing = null,
        public array $options = [],
    ) {
    }

    /** Binds the condition to a context: its value comes from the page, the viewer or the address. */
    public function bound(Context $context): BoundCondition
    {
        if ($this->test->lacks($context)) {
            return new BoundCondition(
                $this,
                $this->value,
                $this->whenMissing ?? ($this->test->isNegative() ? WhenMissing::KeepAll : WhenMissing::KeepNone),
            );
        }
        if (! $this->value instanceof DynamicValue) {
            return new BoundCondition($this, $this->value);
        }
        $given = $this->value->take($this->field, $context);
        try {
            $value = $given === null ? null : $this->test->readValue($given, $this->field);
        } catch (WrongValue) {
            $value = null;
        }

        return $value === null
            ? new BoundCondition($this, $this->value, $this->whenMissing ?? $this->value->whenMissing())
            : new BoundCondition($this, $value);
    }

    /**
     * @param  string  $at  its place in the definition
     * @param  list<string>  $types  keys of the content types whose items the module lists
     * @return list<Reference>
     */
    public function references(string $at, array $types): array
    {
        return [
            Reference::toField("{$at}.field", $this->field, $types),
            ...$this->value instanceof DynamicValue ? $this->value->references("{$at}.value") : [],
            ...$this->test->references($this, $at, $types),
        ];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['field' => $this->field->key, 'test' => $this->test->key()]
            + (
                $this->test->wantsValue()
                    ? ['value' => $this->value instanceof DynamicValue ? $this->value->toArray() : $this->value]
                    : []
            )
            + ($this->below ? ['below' => true] : [])
            + $this->options
            + ($this->whenMissing === null ? [] : ['whenMissing' => $this->whenMissing->value])
            + ($this->off ? ['off' => true] : []);
    }
}
