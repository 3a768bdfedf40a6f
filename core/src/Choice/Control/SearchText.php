<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice\Control;

use Wellspring\Core\Choice\ChosenFilter;
use Wellspring\Core\Choice\Counting;
use Wellspring\Core\Choice\FilterControl;
use Wellspring\Core\Choice\OfferedFilter;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Tests;
use Wellspring\Core\Wording\Format;

/** Words that the visitor types, at most 200 characters. */
final readonly class SearchText implements FilterControl
{
    use Defaults;

    private const MAX_LENGTH = 200;

    public function key(): string
    {
        return 'search';
    }

    public function suits(Field $field): bool
    {
        return $field->family() === Family::Words;
    }

    public function words(): string
    {
        return 'a search box';
    }

    public function takes(): array
    {
        return ['open'];
    }

    public function counting(): Counting
    {
        return Counting::Nothing;
    }

    public function read(string $said, OfferedFilter $filter): ?ChosenFilter
    {
        $test = Tests::find('search', Family::Words);
        try {
            $words = $test?->readValue(mb_substr($said, 0, self::MAX_LENGTH), $filter->field);
        } catch (WrongValue) {
            return null;
        }

        return $test !== null && is_string($words)
            ? new ChosenFilter($filter, $words, new Condition($filter->field, $test, $words))
            : null;
    }

    public function chosenWords(ChosenFilter $chosen, Format $format): string
    {
        return "“{$chosen->said}”";
    }
}
