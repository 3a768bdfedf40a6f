<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;

/** One rule that keeps or drops a record. One that is off keeps everything. */
final readonly class Condition
{
    public function __construct(
        public Field $field,
        public Test $test,
        public mixed $value = null,
        public bool $below = false,
        public bool $off = false,
    ) {
    }

    public function keeps(Record $record): bool
    {
        return $this->off || $this->test->keeps($record->value($this->field), $this);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['field' => $this->field->key, 'test' => $this->test->key()]
            + ($this->test->wantsValue() ? ['value' => $this->value] : [])
            + ($this->below ? ['below' => true] : [])
            + ($this->off ? ['off' => true] : []);
    }
}
