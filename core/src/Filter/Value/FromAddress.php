<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Value;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Context\Context;

/** The words that a visitor searches for, from the page's address: `/search?q=fern`. */
final readonly class FromAddress implements DynamicValue
{
    public function __construct(public string $name)
    {
    }

    public function take(Field $field, Context $context): mixed
    {
        $words = $context->choices->value($this->name);

        return $words === null ? null : mb_substr($words, 0, 200);
    }

    public function whenMissing(): WhenMissing
    {
        return WhenMissing::KeepAll;
    }

    public function words(Field $field): string
    {
        return 'what the visitor looks for';
    }

    public function references(string $at): array
    {
        return [];
    }

    public function toArray(): array
    {
        return ['from' => 'address', 'name' => $this->name];
    }
}
