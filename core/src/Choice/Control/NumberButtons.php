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
use Wellspring\Core\Option\OneOf;
use Wellspring\Core\Option\Whole;
use Wellspring\Core\Wording\Format;

/**
 * Whole numbers as buttons, for small counts such as rooms. A button keeps the records with at least that number, or
 * with exactly that number; the last button always includes larger numbers. The address has the number.
 */
final readonly class NumberButtons implements FilterControl
{
    use Defaults;

    private const MOST_BUTTONS = 20;

    private const GREATEST = 1000;

    public function key(): string
    {
        return 'numbers';
    }

    public function words(): string
    {
        return 'number buttons';
    }

    public function isChosenByLinks(): bool
    {
        return true;
    }

    public function suits(Field $field): bool
    {
        return $field->family() === Family::Number;
    }

    public function counting(): Counting
    {
        return Counting::Rules;
    }

    public function settings(): array
    {
        return [
            new OneOf('match', 'A number keeps', [
                'atLeast' => 'At least that many', 'exactly' => 'Exactly that many',
            ], 'atLeast'),
            new Whole('first', 'First number', 1, 0, self::GREATEST),
            new Whole('last', 'Last number', 4, 0, self::GREATEST),
        ];
    }

    public function options(OfferedFilter $filter): array
    {
        $first = $this->number($filter, 'first');
        $labels = [];
        for ($n = $first; $n <= $this->last($filter); $n++) {
            $labels[$n] = $this->andMore($filter, $n) ? "{$n}+" : (string) $n;
        }

        return $labels;
    }

    public function read(string $said, OfferedFilter $filter): ?ChosenFilter
    {
        if (! array_key_exists($said, $filter->options()) || (string) (int) $said !== $said) {
            return null;
        }
        $test = Tests::find($this->andMore($filter, (int) $said) ? 'gte' : 'eq', Family::Number);

        return $test === null
            ? null
            : new ChosenFilter($filter, $said, new Condition($filter->field, $test, (int) $said), [$said]);
    }

    public function chosenWords(ChosenFilter $chosen, Format $format): string
    {
        return "{$chosen->filter->label()} ".($chosen->filter->options()[$chosen->said] ?? $chosen->said);
    }

    private function andMore(OfferedFilter $filter, int $n): bool
    {
        return $filter->settings()->get('match') === 'atLeast' || $n === $this->last($filter);
    }

    /** The number of the last button. There are 1 to MOST_BUTTONS buttons. */
    private function last(OfferedFilter $filter): int
    {
        $first = $this->number($filter, 'first');

        return min(max($first, $this->number($filter, 'last')), $first + self::MOST_BUTTONS - 1);
    }

    private function number(OfferedFilter $filter, string $setting): int
    {
        $value = $filter->settings()->get($setting);

        return is_int($value) ? $value : 0;
    }
}
