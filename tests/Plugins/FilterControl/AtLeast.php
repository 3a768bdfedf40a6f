<?php

declare(strict_types=1);

namespace Tests\Plugins\FilterControl;

use Wellspring\Core\Choice\ChosenFilter;
use Wellspring\Core\Choice\Control\Defaults;
use Wellspring\Core\Choice\Counting;
use Wellspring\Core\Choice\FilterControl;
use Wellspring\Core\Choice\OfferedFilter;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Tests;

/** A filter control: so much or more, from one to five. */
final class AtLeast implements FilterControl
{
    use Defaults;

    public function key(): string
    {
        return 'atLeast';
    }

    public function suits(Field $field): bool
    {
        return $field->family() === Family::Number;
    }

    public function words(): string
    {
        return 'so much or more';
    }

    public function counting(): Counting
    {
        return Counting::Rules;
    }

    public function options(OfferedFilter $filter): array
    {
        return ['1' => 'One', '2' => 'Two', '3' => 'Three', '4' => 'Four', '5' => 'Five'];
    }

    public function read(string $said, OfferedFilter $filter): ?ChosenFilter
    {
        $test = isset($filter->options()[$said]) ? Tests::find('gte', Family::Number) : null;

        return $test === null
            ? null
            : new ChosenFilter($filter, $said, new Condition($filter->field, $test, (int) $said), [$said]);
    }
}
