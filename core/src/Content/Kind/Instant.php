<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Limit;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Text\Whitespace;

/** A moment, kept to the second in UTC: `2026-05-01T18:30:00Z` (ISO 8601). Kept so, moments compare as text does. */
final class Instant implements Kind
{
    private const SHAPE = '/^\d{4}-\d\d-\d\d([T ]\d\d:\d\d(:\d\d(\.\d+)?)?)?(Z|[+-]\d\d:?\d\d)?$/D';

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

    public function limits(): array
    {
        return [Limit::Earliest, Limit::Latest, Limit::Default];
    }

    public function read(mixed $value, Field $field): ?string
    {
        if ($value === null || $value === '') {
            return null;
        }
        $at = is_string($value) ? self::parse($value) : null;
        $kept = $at === null ? '' : self::write($at);
        // Four digits of a year, not all naught: what compares as text does, and what the database takes.
        if (preg_match('/^(?!0000)\d{4}-/', $kept) !== 1) {
            throw WrongValue::expected('a moment such as 2026-05-01T18:30:00Z', $value);
        }

        $field->limits->holdDay($kept);

        return $kept;
    }

    public function readCell(string $cell, Field $field): ?string
    {
        return $this->read(Whitespace::trim($cell), $field);
    }

    public function writeCell(mixed $value, Field $field): string
    {
        return is_string($value) ? $value : '';
    }

    public function schema(Field $field): array
    {
        return ['type' => 'string', 'format' => 'date-time'];
    }

    /** A moment from ISO 8601; without an offset it is UTC, without a time the day's first second. */
    public static function parse(string $text): ?\DateTimeImmutable
    {
        if (preg_match(self::SHAPE, $text) !== 1) {
            return null;
        }
        try {
            $at = new \DateTimeImmutable($text, new \DateTimeZone('UTC'));
        } catch (\Exception) {
            return null;
        }
        $errors = \DateTimeImmutable::getLastErrors();

        return $errors === false || $errors['warning_count'] === 0 ? $at : null;
    }

    public static function write(\DateTimeInterface $at): string
    {
        return \DateTimeImmutable::createFromInterface($at)
            ->setTimezone(new \DateTimeZone('UTC'))
            ->format('Y-m-d\TH:i:s\Z');
    }
}
