<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Time\Iso8601;
use Wellspring\Core\Wording\Format;

/** An instant in UTC, to the second: `2026-05-01T18:30:00Z` (ISO 8601). In this form, instants compare as texts. */
final class Instant implements Kind
{
    use Dated;

    public function key(): string
    {
        return 'instant';
    }

    public function family(): Family
    {
        return Family::Instant;
    }

    public function words(): string
    {
        return 'Date and time';
    }

    public function read(mixed $value, Field $field): ?string
    {
        if ($value === null || $value === '') {
            return null;
        }
        $at = is_string($value) ? Iso8601::parse($value) : null;
        $kept = $at === null ? '' : Iso8601::format($at);
        // A year of four digits, not 0000: such texts compare correctly, and PostgreSQL accepts them.
        if (preg_match('/^(?!0000)\d{4}-/', $kept) !== 1) {
            throw WrongValue::expected('a moment such as 2026-05-01T18:30:00Z', $value);
        }

        $field->limits->holdDay($kept);

        return $kept;
    }

    public function display(mixed $value, Field $field, Format $format, array $names): ?string
    {
        if (! is_string($value)) {
            return null;
        }

        // For publish dates the day is enough; for other instants, such as the start of an event, the time matters.
        return $field->origin === Origin::Type ? $format->moment($value) : $format->dayOf($value);
    }

    public function schema(Field $field): array
    {
        return ['type' => 'string', 'format' => 'date-time'];
    }
}
