<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Text\Whitespace;
use Wellspring\Core\Wording\Format;

/**
 * Opening hours of a week: the open spans of each day, without contact. Cells have the form of schema.org's
 * `openingHours`: `Mo-Fr 09:00-12:30, 13:30-17:00; Sa 10:00-16:00`.
 */
final class Hours implements Kind
{
    use NoLimits;

    public function key(): string
    {
        return 'hours';
    }

    public function family(): Family
    {
        return Family::Hours;
    }

    public function words(): string
    {
        return 'Opening hours';
    }

    public function limits(): array
    {
        return [];
    }

    private const DAYS = [
        'mon' => 'Mo',
        'tue' => 'Tu',
        'wed' => 'We',
        'thu' => 'Th',
        'fri' => 'Fr',
        'sat' => 'Sa',
        'sun' => 'Su',
    ];

    /**
     * @return array<string, non-empty-list<array{string, string}>>|null spans `[from, to]` (`HH:MM`, to at most
     *                                                                   `24:00`) by day: mon, tue …
     */
    public function read(mixed $value, Field $field): ?array
    {
        if ($value === null || $value === '' || $value === []) {
            return null;
        }
        if (! is_array($value) || array_is_list($value)) {
            throw WrongValue::expected('opening hours, a list of spans under each day', $value);
        }
        if (($unknown = array_diff(array_map(strval(...), array_keys($value)), array_keys(self::DAYS))) !== []) {
            throw WrongValue::expected('one of the days '.implode(', ', array_keys(self::DAYS)), reset($unknown));
        }
        $week = [];
        foreach (self::DAYS as $day => $_) {
            $spans = self::spans($value[$day] ?? [], $day);
            if ($spans !== []) {
                $week[$day] = $spans;
            }
        }

        return $week ?: null;
    }

    /** @return list<array{string, string}> in order */
    private static function spans(mixed $given, string $day): array
    {
        if (! is_array($given) || ! array_is_list($given)) {
            throw WrongValue::expected("a list of spans for {$day}", $given);
        }
        $spans = [];
        foreach ($given as $span) {
            $from = is_array($span) ? $span[0] ?? null : null;
            $to = is_array($span) ? $span[1] ?? null : null;
            if (! self::isTime($from) || ! self::isTime($to) || $from >= $to || count((array) $span) !== 2) {
                throw new WrongValue("expected spans such as 09:00-17:00 for {$day}, each ending after it begins.");
            }
            $spans[] = [$from, $to];
        }
        sort($spans);
        foreach ($spans as $i => [$from]) {
            if ($i > 0 && $from <= $spans[$i - 1][1]) {
                throw new WrongValue(
                    "expected spans that do not touch for {$day}, found "
                        ."{$spans[$i - 1][0]}-{$spans[$i - 1][1]} and {$from}-{$spans[$i][1]}.",
                );
            }
        }

        return $spans;
    }

    /** @phpstan-assert-if-true string $time */
    private static function isTime(mixed $time): bool
    {
        return is_string($time) && preg_match('/^(([01]\d|2[0-3]):[0-5]\d|24:00)$/D', $time) === 1;
    }

    /** @return list<string> days from one to another, the week beginning anew after Sunday */
    private static function days(string $from, string $to): array
    {
        $order = array_flip(array_values(self::DAYS));
        $keys = array_keys(self::DAYS);
        if (! isset($order[$from], $order[$to])) {
            throw WrongValue::expected('days such as Mo, Tu-Fr or Sa', "{$from}-{$to}");
        }
        $days = [$keys[$order[$from]]];
        for ($i = $order[$from]; $i !== $order[$to];) {
            $days[] = $keys[$i = ($i + 1) % 7];
        }

        return $days;
    }

    public function readCell(string $cell, Field $field): mixed
    {
        $week = [];
        foreach (array_filter(
            array_map(Whitespace::trim(...), explode(';', $cell)),
            fn (string $rule): bool => $rule !== '',
        ) as $rule) {
            if (preg_match('/^([A-Za-z, -]+?)\s+([0-9:, -]+)$/D', $rule, $m) !== 1) {
                throw WrongValue::expected('opening hours such as Mo-Fr 09:00-17:00; Sa 10:00-16:00', $rule);
            }
            $spans = array_map(
                fn (string $span): array => array_map(Whitespace::trim(...), explode('-', $span)),
                explode(',', $m[2]),
            );
            foreach (explode(',', $m[1]) as $days) {
                [$first, $last] = array_map(
                    fn (string $day): string => ucfirst(strtolower(Whitespace::trim($day))),
                    explode('-', $days, 2) + [1 => explode('-', $days)[0]],
                );
                foreach (self::days($first, $last) as $day) {
                    $week[$day] = [...$week[$day] ?? [], ...$spans];
                }
            }
        }

        return $this->read($week, $field);
    }

    public function writeCell(mixed $value, Field $field): string
    {
        return self::written(
            $value,
            '-',
            fn (string $time): string => $time,
            fn (string $day): string => self::DAYS[$day],
        );
    }

    /**
     * Consecutive days with the same hours are one rule: `Mo-Fr 09:00-17:00; Sa 10:00-16:00`.
     *
     * @param  \Closure(string): string  $time
     * @param  \Closure(string): string  $name  of a day
     */
    private static function written(mixed $value, string $to, \Closure $time, \Closure $name): string
    {
        $rules = [];
        foreach (is_array($value) ? $value : [] as $day => $spans) {
            $open = implode(', ', array_map(
                fn (mixed $span): string => implode($to, array_map(
                    $time,
                    array_values(array_filter((array) $span, is_string(...))),
                )),
                (array) $spans,
            ));
            $last = array_key_last($rules);
            $before = array_keys(self::DAYS)[max(0, (int) array_search($day, array_keys(self::DAYS), true) - 1)];
            if ($last !== null && $rules[$last]['open'] === $open && $rules[$last]['to'] === $before) {
                $rules[$last]['to'] = $day;
            } else {
                $rules[] = ['from' => $day, 'to' => $day, 'open' => $open];
            }
        }

        return implode('; ', array_map(
            fn (array $rule): string => $name((string) $rule['from']).(
                $rule['to'] === $rule['from'] ? '' : $to.$name((string) $rule['to'])
            ).' '.$rule['open'],
            $rules,
        ));
    }

    public function display(mixed $value, Field $field, Format $format, array $names): string
    {
        $days = array_flip(array_keys(self::DAYS));

        return self::written(
            $value,
            '–',
            $format->timeOfDay(...),
            fn (string $day): string => $format->weekday($days[$day] ?? 0),
        );
    }

    public function schema(Field $field): array
    {
        return ['type' => 'object', 'additionalProperties' => false, 'properties' => array_map(
            fn (): array => [
                'type' => 'array',
                'items' => [
                    'type' => 'array',
                    'minItems' => 2,
                    'maxItems' => 2,
                    'items' => ['type' => 'string', 'pattern' => '^(([01][0-9]|2[0-3]):[0-5][0-9]|24:00)$'],
                ],
            ],
            self::DAYS,
        )];
    }
}
