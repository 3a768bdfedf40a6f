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
use Wellspring\Core\Option\Words;
use Wellspring\Core\Text\Fold;

/**
 * The first letter of a text in its folded form: `é` counts as `e`. The address has the lower-case letter. A definition
 * may give the letters: `"alphabet": "ΑΒΓΔ…"`.
 */
final readonly class Letters implements FilterControl
{
    use Defaults;

    private const ALPHABET = 'alphabet';

    private const MOST_LETTERS = 60;

    public function key(): string
    {
        return 'letters';
    }

    public function words(): string
    {
        return 'letters';
    }

    public function isChosenByLinks(): bool
    {
        return true;
    }

    public function suits(Field $field): bool
    {
        return $field->family() === Family::Text;
    }

    public function counting(): Counting
    {
        return Counting::Rules;
    }

    public function settings(): array
    {
        return [new Words(
            self::ALPHABET,
            'Alphabet',
            implode('', range('A', 'Z')),
            'the letters, in their order',
            fn (string $text): ?string => self::isAlphabet($text)
                ? null
                : 'at most '.self::MOST_LETTERS.' letters, each once; those that differ by an accent are one',
        )];
    }

    public function options(OfferedFilter $filter): array
    {
        $alphabet = $filter->settings()->get(self::ALPHABET);
        $letters = self::letters(is_string($alphabet) ? $alphabet : '');

        return array_combine(array_map(Fold::of(...), $letters), $letters);
    }

    public function read(string $said, OfferedFilter $filter): ?ChosenFilter
    {
        $test = isset($filter->options()[$said]) ? Tests::find('begins', Family::Text) : null;

        return $test === null
            ? null
            : new ChosenFilter($filter, $said, new Condition($filter->field, $test, $said), [$said]);
    }

    private static function isAlphabet(string $text): bool
    {
        $letters = self::letters($text);
        $folded = array_map(Fold::of(...), $letters);

        return preg_match('/^[\p{L}\p{M} ]*$/uD', $text) === 1
            && count($letters) <= self::MOST_LETTERS
            && array_unique($folded) === $folded;
    }

    /** @return list<string> each with what is written over and under it */
    private static function letters(string $text): array
    {
        return preg_match_all('/\p{L}\p{M}*/u', $text, $found) > 0 ? $found[0] : [];
    }
}
