<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice\Control;

use Wellspring\Core\Choice\ChosenFilter;
use Wellspring\Core\Choice\Counting;
use Wellspring\Core\Choice\FilterControl;
use Wellspring\Core\Choice\OfferedFilter;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Tests;
use Wellspring\Core\Wording\Format;

/** A range of days: `2026-05-01..2026-05-31`, `2026-05-01..`, `..2026-05-31`; both ends belong. */
final readonly class Days implements FilterControl
{
    use Defaults;

    public function key(): string
    {
        return 'dates';
    }

    public function suits(Field $field): bool
    {
        return $field->family() === Family::Date || $field->family() === Family::Instant;
    }

    public function words(): string
    {
        return 'days';
    }

    public function counting(): Counting
    {
        return Counting::Days;
    }

    public function read(string $said, OfferedFilter $filter): ?ChosenFilter
    {
        if (preg_match('/^(\d{4}-\d\d-\d\d)?(?:\.\.|,)(\d{4}-\d\d-\d\d)?$/D', $said, $found) !== 1) {
            return null;
        }
        [$from, $to] = [$found[1] ?? '', $found[2] ?? ''];
        // For an open end, the condition uses the day next to the given end.
        [$key, $value] = match (true) {
            $from === '' => ['before', self::moved($to, '+1 day')],
            $to === '' => ['after', self::moved($from, '-1 day')],
            default => ['between', self::moved($from) === null || self::moved($to) === null ? null : [$from, $to]],
        };
        $test = Tests::find($key, $filter->field->family());

        return $value === null || $from !== '' && $to !== '' && $from > $to || $test === null
            ? null
            : new ChosenFilter(
                $filter,
                "{$from}..{$to}",
                new Condition($filter->field, $test, $value),
                ends: [$from === '' ? null : $from, $to === '' ? null : $to],
            );
    }

    public function chosenWords(ChosenFilter $chosen, Format $format): string
    {
        [$from, $to] = array_map(
            fn (int|float|string|null $day): ?string => $day === null ? null : $format->day((string) $day),
            $chosen->ends ?? [null, null],
        );

        return match (true) {
            $from === null => $format->words()->text(
                'choices.until',
                ['filter' => $chosen->filter->label(), 'value' => (string) $to],
            ),
            $to === null => $format->words()->text(
                'choices.atLeast',
                ['filter' => $chosen->filter->label(), 'value' => $from],
            ),
            $from === $to => $from,
            default => "{$from} – {$to}",
        };
    }

    /** @return string|null null where the text is no day from the year 1000 on */
    private static function moved(string $day, string $by = '+0 days'): ?string
    {
        $found = \DateTimeImmutable::createFromFormat('!Y-m-d', $day, new \DateTimeZone('UTC'));

        return $found === false || $found->format('Y-m-d') !== $day || $day < '1000-01-02' || $day > '9999-12-30'
            ? null
            : $found->modify($by)->format('Y-m-d');
    }
}
