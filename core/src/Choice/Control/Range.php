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

/** A range of numbers: `3..10`, `3..`, `..10`; both ends belong. The two boxes of a form send `3,10`. */
final readonly class Range implements FilterControl
{
    use Defaults;

    private const NUMBER = '-?\d{1,15}(?:\.\d{1,6})?';

    public function key(): string
    {
        return 'range';
    }

    public function suits(Field $field): bool
    {
        return $field->family() === Family::Number;
    }

    public function words(): string
    {
        return 'a range';
    }

    public function counting(): Counting
    {
        return Counting::Numbers;
    }

    public function read(string $said, OfferedFilter $filter): ?ChosenFilter
    {
        $number = self::NUMBER;
        if (preg_match("/^({$number})?(?:\\.\\.|,)({$number})?$/D", $said, $found) !== 1) {
            return null;
        }
        $from = self::number($found[1] ?? '');
        $to = self::number($found[2] ?? '');
        [$key, $value] = match (true) {
            $from === null => ['lte', $to],
            $to === null => ['gte', $from],
            default => ['between', [$from, $to]],
        };
        $test = Tests::find($key, Family::Number);

        return $from === null && $to === null || $from !== null && $to !== null && $from > $to || $test === null
            ? null
            : new ChosenFilter(
                $filter,
                self::written($from).'..'.self::written($to),
                new Condition($filter->field, $test, $value),
                ends: [$from, $to],
            );
    }

    public function chosenWords(ChosenFilter $chosen, Format $format): string
    {
        $ends = $chosen->ends ?? [null, null];
        $format = array_filter($ends, is_float(...)) === [] ? $format->withWholeMoney() : $format;
        [$from, $to] = array_map(
            fn (int|float|string|null $end): ?string => $chosen->filter->field->display($end, $format),
            $ends,
        );

        return match (true) {
            $from === null => $format->words()->text(
                'choices.atMost',
                ['filter' => $chosen->filter->label(), 'value' => (string) $to],
            ),
            $to === null => $format->words()->text(
                'choices.atLeast',
                ['filter' => $chosen->filter->label(), 'value' => $from],
            ),
            default => "{$from}–{$to}",
        };
    }

    private static function number(string $text): int|float|null
    {
        return match (true) {
            $text === '' => null,
            str_contains($text, '.') => (float) $text,
            default => (int) $text,
        };
    }

    private static function written(int|float|null $number): string
    {
        return $number === null ? '' : (string) json_encode($number);
    }
}
