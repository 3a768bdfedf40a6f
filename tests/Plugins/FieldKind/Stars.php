<?php

declare(strict_types=1);

namespace Tests\Plugins\FieldKind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Limit\Limit;
use Wellspring\Core\Content\Limit\LimitReader;
use Wellspring\Core\Content\Limit\Limits;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Wording\Format;

/** A kind of field: one to five stars, or as many as the type says. */
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
        return [Limit::Maximum];
    }

    /** There can be two to ten of them. */
    public function readLimits(LimitReader $words): Limits
    {
        return new Limits(maximum: $words->schema->wholeOrNull('maximum', 2, 10));
    }

    public function read(mixed $value, Field $field): ?int
    {
        $most = $field->limits->maximum ?? 5;

        return $value === null || is_int($value) && $value >= 1 && $value <= $most
            ? $value
            : throw WrongValue::expected("one to {$most} stars", $value);
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
        return ['type' => 'number'] + array_filter(['maximum' => $field->limits->maximum]);
    }
}
