<?php

declare(strict_types=1);

namespace Tests\Support\Plugins;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Wording\Format;

/** A kind of field: one to five stars. */
final class Stars implements Kind
{
    public function key(): string
    {
        return 'stars';
    }

    public function family(): Family
    {
        return Family::Number;
    }

    public function words(): string
    {
        return 'Stars';
    }

    public function limits(): array
    {
        return [];
    }

    public function read(mixed $value, Field $field): ?int
    {
        return $value === null || is_int($value) && $value >= 1 && $value <= 5
            ? $value
            : throw WrongValue::expected('one to five stars', $value);
    }

    public function readCell(string $cell, Field $field): ?int
    {
        return $cell === '' ? null : $this->read(mb_strlen($cell), $field);
    }

    public function writeCell(mixed $value, Field $field): string
    {
        return is_int($value) ? str_repeat('*', $value) : '';
    }

    public function display(mixed $value, Field $field, Format $format, array $names): string
    {
        return is_int($value) ? str_repeat('★', $value) : '';
    }

    public function schema(Field $field): array
    {
        return ['type' => 'number'];
    }
}
