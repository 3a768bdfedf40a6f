<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Value\DynamicValue;
use Wellspring\Core\Filter\Value\WhenMissing;

/** One rule that keeps or drops a record, as a definition has it. One that is off keeps everything. */
readonly class Condition
{
    /**
     * @param  mixed  $value  as the test reads it, or an DynamicValue
     * @param  WhenMissing|null  $whenMissing  null: as the value says
     * @param  array<string, mixed>  $options  what it says for its test alone
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

    /** The condition here and now: with the value that the page, the viewer or the address gives. */
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
     * @param  string  $at  where it stands in the definition
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
