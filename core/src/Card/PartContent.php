<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Option\OptionValues;

/** What a part shows: a field of the record, where it shows one, and what its kind says beside. */
final readonly class PartContent
{
    /**
     * @param  list<Field>  $others  what else it asks of a record
     * @param  Condition|Group|null  $rule  what the record must fulfil
     */
    public function __construct(
        public OptionValues $values,
        public ?Field $field = null,
        public array $others = [],
        public Condition|Group|null $rule = null,
    ) {
    }
}
