<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Value\DynamicValue;
use Wellspring\Core\Filter\Value\WhenMissing;

/** One rule that keeps or drops a record. One that is off keeps everything. */
final readonly class Condition
{
    /**
     * @param  mixed  $value  as the test reads it, or an DynamicValue
     * @param  WhenMissing|null  $whenMissing  null: as the value says
     * @param  WhenMissing|null  $missing  set once bound, where the value is missing
     * @param  array<string, mixed>  $options  what it says for its test alone
     */
    public function __construct(
        public Field $field,
        public Test $test,
        public mixed $value = null,
        public bool $below = false,
        public bool $off = false,
        public ?WhenMissing $whenMissing = null,
        public ?WhenMissing $missing = null,
        public array $options = [],
    ) {
    }

    /** The condition as it stands here and now: with what the page or the viewer gives. */
    public function bound(Context $context): self
    {
        if ($this->test->lacks($context)) {
            return $this->lacking(
                $this->whenMissing ?? ($this->test->isNegative() ? WhenMissing::KeepAll : WhenMissing::KeepNone),
            );
        }
        if (! $this->value instanceof DynamicValue) {
            return $this;
        }
        $given = $this->value->take($this->field, $context);
        try {
            $value = $given === null ? null : $this->test->readValue($given, $this->field);
        } catch (WrongValue) {
            $value = null;
        }
        if ($value === null) {
            return $this->lacking($this->whenMissing ?? $this->value->whenMissing());
        }

        return $this->withValue($value);
    }

    /** @param  mixed  $value  as the test reads it */
    public function withValue(mixed $value): self
    {
        return new self(
            $this->field,
            $this->test,
            $value,
            $this->below,
            $this->off,
            $this->whenMissing,
            options: $this->options,
        );
    }

    /** Whether it asks nothing: it is off, or its value is missing and it then keeps everything. */
    public function isInactive(): bool
    {
        return $this->off || $this->missing === WhenMissing::KeepAll;
    }

    /**
     * Of a field reached through other items, the test is asked of each: one that passes is enough, and none may fail
     * what asks that something is not so.
     *
     * @param  Record  $record  as the viewer sees it, see Record::seenThrough()
     */
    public function keeps(Record $record, Context $context): bool
    {
        if ($this->isInactive() || $this->missing !== null) {
            return $this->isInactive();
        }
        if ($this->field->through === null) {
            return $this->test->keepsRecord($record, $this, $context);
        }
        $reached = array_map(
            fn (Record $other): mixed => $other->value($this->field),
            $record->reached($this->field->through),
        );
        foreach ($reached as $found) {
            $kept = $this->test->keeps($found, $this, $context);
            if ($kept !== $this->test->isNegative()) {
                return $kept;
            }
        }

        return $this->test->isNegative();
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

    private function lacking(WhenMissing $do): self
    {
        return new self(
            $this->field,
            $this->test,
            $this->value,
            $this->below,
            $this->off,
            $this->whenMissing,
            $do,
            $this->options,
        );
    }
}
