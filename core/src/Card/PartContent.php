<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Option\OptionValues;

/** The content of a part: its field, if it shows one, and the options of its kind. */
final readonly class PartContent
{
    /**
     * @param  list<Field>  $others  further fields that it reads
     * @param  Condition|Group|null  $rule  the rule that the record must fulfil
     */
    public function __construct(
        public OptionValues $values,
        public ?Field $field = null,
        public array $others = [],
        public Condition|Group|null $rule = null,
    ) {
    }
}
