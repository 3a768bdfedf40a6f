<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Value;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Context\Context;

/** A value that is not given in the definition but taken from where the module stands, or from who looks. */
interface DynamicValue
{
    /** The value as a definition would give it; null where there is none. */
    public function take(Field $field, Context $context): mixed;

    /** What a condition does whose value is missing, unless the module says otherwise. */
    public function whenMissing(): WhenMissing;

    public function words(Field $field): string;

    /**
     * @param  string  $at  where it stands in the definition
     * @return list<Reference>
     */
    public function references(string $at): array;

    /** @return array<string, string> */
    public function toArray(): array;
}
