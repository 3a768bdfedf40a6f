<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Value\WhenMissing;

/**
 * A condition bound to the context of a run: it has its value from the page, the viewer or the address, or lacks one.
 */
final readonly class BoundCondition extends Condition
{
    /**
     * @param  mixed  $value  as the test reads it; ignored if the value is missing
     * @param  WhenMissing|null  $missing  the effect of the missing value; null if the value is known
     */
    public function __construct(Condition $own, mixed $value, public ?WhenMissing $missing = null)
    {
        parent::__construct(
            $own->field,
            $own->test,
            $value,
            $own->below,
            $own->off,
            $own->whenMissing,
            $own->options,
        );
    }

    /** Returns itself, because all values are known. */
    public function bound(Context $context): self
    {
        return $this;
    }

    /** @param  mixed  $value  as the test reads it */
    public function withValue(mixed $value): self
    {
        return new self($this, $value);
    }

    /** True if it has no effect: it is off, or its value is missing and it then keeps everything. */
    public function isInactive(): bool
    {
        return $this->off || $this->missing === WhenMissing::KeepAll;
    }

    /**
     * A field that is reached through other items has several values. A positive test needs one value that passes. A
     * negative test needs all of them to pass.
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
}
