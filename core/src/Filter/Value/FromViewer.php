<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Value;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Context\Context;

/** The signed-in person. */
final readonly class FromViewer implements DynamicValue
{
    public function take(Field $field, Context $context): mixed
    {
        return $context->viewer->person === null ? null : [$context->viewer->person];
    }

    public function whenMissing(): WhenMissing
    {
        return WhenMissing::KeepNone;
    }

    public function words(Field $field): string
    {
        return 'whoever has signed in';
    }

    public function references(string $at): array
    {
        return [];
    }

    public function toArray(): array
    {
        return ['from' => 'viewer'];
    }
}
