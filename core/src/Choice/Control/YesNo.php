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

/** `yes` or `no`; “no” keeps only a stated no. */
final readonly class YesNo implements FilterControl
{
    use Defaults;

    public function key(): string
    {
        return 'yesNo';
    }

    public function suits(Field $field): bool
    {
        return $field->family() === Family::YesNo;
    }

    public function words(): string
    {
        return 'yes or no';
    }

    public function isOneBox(OfferedFilter $filter): bool
    {
        return array_keys($filter->options()) === ['yes'];
    }

    public function counting(): Counting
    {
        return Counting::Values;
    }

    public function options(OfferedFilter $filter): array
    {
        return ['yes' => 'Yes', 'no' => 'No'];
    }

    public function optionWords(string $value, string $label, Format $format): string
    {
        return $format->words()->text($value === 'yes' ? 'choices.yes' : 'choices.no');
    }

    public function read(string $said, OfferedFilter $filter): ?ChosenFilter
    {
        $test = isset($filter->options()[$said]) ? Tests::find($said, Family::YesNo) : null;

        return $test === null
            ? null
            : new ChosenFilter($filter, $said, new Condition($filter->field, $test), [$said]);
    }

    public function chosenWords(ChosenFilter $chosen, Format $format): string
    {
        $label = $chosen->filter->label();

        return $chosen->said === 'yes' ? $label : $format->words()->text('choices.not', ['filter' => $label]);
    }
}
