<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Wording\Format;

/**
 * A property of a record that is never entered: its identity, all its words. Type files cannot use this kind.
 */
final readonly class Made implements Kind
{
    use NoLimits;

    public function __construct(private string $key, private Family $family)
    {
    }

    public function key(): string
    {
        return $this->key;
    }

    public function family(): Family
    {
        return $this->family;
    }

    public function words(): string
    {
        return ucfirst($this->key);
    }

    public function limits(): array
    {
        return [];
    }

    public function read(mixed $value, Field $field): mixed
    {
        throw new \LogicException("{$field->key} is not written.");
    }

    public function readCell(string $cell, Field $field): mixed
    {
        throw new \LogicException("{$field->key} is not written.");
    }

    public function writeCell(mixed $value, Field $field): string
    {
        return '';
    }

    public function display(mixed $value, Field $field, Format $format, array $names): ?string
    {
        return is_string($value) ? $value : null;
    }

    public function schema(Field $field): array
    {
        return [];
    }
}
