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

/**
 * The letter that a text begins with, in the form in which texts are compared: `é` is found under `e`. In the address,
 * the small letter.
 */
final readonly class Letters implements FilterControl
{
    use Defaults;

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

    public function options(OfferedFilter $filter): array
    {
        return array_combine(range('a', 'z'), range('A', 'Z'));
    }

    public function read(string $said, OfferedFilter $filter): ?ChosenFilter
    {
        $test = isset($filter->options()[$said]) ? Tests::find('begins', Family::Text) : null;

        return $test === null
            ? null
            : new ChosenFilter($filter, $said, new Condition($filter->field, $test, $said), [$said]);
    }
}
