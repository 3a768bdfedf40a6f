<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Wording\Format;

/** A calendar day, `2026-05-01` (ISO 8601). */
final class Date implements Kind
{
    use Dated;

    public function key(): string
    {
        return 'date';
    }

    public function family(): Family
    {
        return Family::Date;
    }

    public function words(): string
    {
        return 'Date';
    }

    public function read(mixed $value, Field $field): ?string
    {
        if ($value === null || $value === '') {
            return null;
        }
        if (
            ! is_string($value)
            || preg_match('/^(\d{4})-(\d\d)-(\d\d)$/D', $value, $m) !== 1
            || ! checkdate((int) $m[2], (int) $m[3], (int) $m[1])
        ) {
            throw WrongValue::expected('a day such as 2026-05-01', $value);
        }

        $field->limits->holdDay($value);

        return $value;
    }

    public function display(mixed $value, Field $field, Format $format, array $names): ?string
    {
        return is_string($value) ? $format->day($value) : null;
    }

    public function schema(Field $field): array
    {
        return ['type' => 'string', 'format' => 'date'];
    }
}
