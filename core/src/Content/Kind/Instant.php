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

/** A moment, kept to the second in UTC: `2026-05-01T18:30:00Z` (ISO 8601). Kept so, moments compare as text does. */
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
        // Four digits of a year, not all naught: what compares as text does, and what the database takes.
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

        // Of when an item was published the day is enough; of a moment of the type's own, such as when an event
        // starts, the time matters.
        return $field->origin === Origin::Type ? $format->moment($value) : $format->dayOf($value);
    }

    public function schema(Field $field): array
    {
        return ['type' => 'string', 'format' => 'date-time'];
    }
}
