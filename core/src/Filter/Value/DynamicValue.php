<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Value;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Context\Context;

/** A value that the definition does not fix: it comes from the page or the viewer. */
interface DynamicValue
{
    /** The value in the form of a definition; null if it is missing. */
    public function take(Field $field, Context $context): mixed;

    /** The default effect of a missing value on a condition. */
    public function whenMissing(): WhenMissing;

    public function words(Field $field): string;

    /**
     * @param  string  $at  its place in the definition
     * @return list<Reference>
     */
    public function references(string $at): array;

    /** @return array<string, string> */
    public function toArray(): array;
}
