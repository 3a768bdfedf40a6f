<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Sort\Criterion\FieldValue;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Time\CalendarUnit;
use Wellspring\Core\Wording\Format;

/**
 * Groups the records of a listing under headings: by a choice, a term, a calendar unit or the first letter. A record
 * appears once, under the first of its terms in the taxonomy's order. Records without a value come last.
 */
final readonly class Headings
{
    /** Key of the heading of records without a value. */
    public const NONE = '';

    /** @param  CalendarUnit|null  $per  for dates and instants */
    public function __construct(
        public Field $field,
        public ?CalendarUnit $per,
        public Direction $direction = Direction::Up,
    ) {
    }

    public static function suits(Family $family): bool
    {
        return match ($family) {
            Family::Choice, Family::Terms, Family::Date, Family::Instant, Family::Text, Family::YesNo => true,
            default => false,
        };
    }

    /** The family for comparing places(): a position in the field's own order, a day, a letter. */
    public function family(): Family
    {
        return match ($this->field->family()) {
            Family::Date, Family::Instant, Family::Text => Family::Identity,
            default => Family::Number,
        };
    }

    /** @return list<string> the headings' keys where the field says them in an order of its own */
    public function known(): array
    {
        return match ($this->field->family()) {
            Family::Choice => array_map(strval(...), array_keys($this->field->choices)),
            Family::Terms => array_map(
                fn (array $row): string => $row['term']->slug,
                $this->field->taxonomy?->terms->asTree() ?? [],
            ),
            Family::YesNo => ['no', 'yes'],
            default => [],
        };
    }

    /** The position of the record's heading among all; null if it has no value. */
    public function place(Record $record, Context $context): int|string|null
    {
        $value = $record->value($this->field);
        if ($value === null) {
            return null;
        }

        return match ($this->field->family()) {
            Family::Choice => $this->first([is_string($value) ? $value : '']),
            Family::Terms => $this->first($record->terms($this->field->key)),
            Family::YesNo => $value === true ? 1 : 0,
            Family::Date => $context->calendar->firstDay(
                is_string($value) ? $value : '',
                $this->per ?? CalendarUnit::Day,
            ),
            Family::Instant => $context->calendar->firstDay(
                $context->calendar->dayOf(is_string($value) ? $value : ''),
                $this->per ?? CalendarUnit::Day,
            ),
            default => mb_substr(Fold::of(is_string($value) ? $value : ''), 0, 1),
        };
    }

    /** The key of the heading at a position. */
    public function key(int|string|null $place): string
    {
        return is_int($place) ? $this->known()[$place] ?? self::NONE : $place ?? self::NONE;
    }

    /** The text of a heading: “May 2026”, “4 May – 10 May 2026”, “Shade”, “A”. */
    public function heading(string $key, Format $format): string
    {
        if ($key === self::NONE) {
            return $format->words()->text('listing.withoutValue', ['field' => mb_strtolower($this->field->label)]);
        }

        return match ($this->per) {
            CalendarUnit::Year => substr($key, 0, 4),
            CalendarUnit::Month => $format->month($key),
            CalendarUnit::Day => $format->day($key),
            CalendarUnit::Week => $format->day($key).' – '.$format->day(
                (new \DateTimeImmutable($key, new \DateTimeZone('UTC')))->modify('+6 days')->format('Y-m-d'),
            ),
            null => match ($this->field->family()) {
                Family::Text => mb_strtoupper($key),
                Family::YesNo => "{$this->field->label}: ".mb_strtolower($format->words()->text("choices.{$key}")),
                default => $this->field->choiceLabel($key),
            },
        };
    }

    public function perWords(): string
    {
        return $this->per->value ?? ($this->field->family() === Family::Text ? 'first letter' : '');
    }

    /** The words for the order of headings by a field. */
    public static function directionWords(Field $field, Direction $direction): string
    {
        return $field->family() === Family::Terms
            ? $direction->words(Family::Choice)
            : (new FieldValue($field))->directionWords($direction);
    }

    /**
     * @param  list<string>  $types
     * @return list<Reference>
     */
    public function references(string $at, array $types): array
    {
        return [Reference::toField("{$at}.by", $this->field, $types)];
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return ['by' => $this->field->key] + (
            $this->per === null ? [] : ['per' => $this->per->value]
        ) + ['direction' => $this->direction->value];
    }

    /** @param  list<string>  $keys */
    private function first(array $keys): ?int
    {
        $places = array_intersect($this->known(), $keys);

        return $places === [] ? null : array_key_first($places);
    }
}
