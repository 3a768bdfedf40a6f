<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice\Control;

use Wellspring\Core\Choice\ChosenFilter;
use Wellspring\Core\Choice\Counting;
use Wellspring\Core\Choice\FilterControl;
use Wellspring\Core\Choice\OfferedFilter;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Wording\Format;

/** A check box for a rule of the manager, such as "in stock". The address has `yes`. */
final readonly class Only implements FilterControl
{
    use Defaults;

    private const YES = 'yes';

    public function key(): string
    {
        return 'only';
    }

    public function words(): string
    {
        return 'a check box for a rule';
    }

    public function suits(Field $field): bool
    {
        return true;
    }

    public function takesRule(): bool
    {
        return true;
    }

    public function isOneBox(OfferedFilter $filter): bool
    {
        return true;
    }

    public function counting(): Counting
    {
        return Counting::Rules;
    }

    public function options(OfferedFilter $filter): array
    {
        return [self::YES => $filter->label()];
    }

    public function read(string $said, OfferedFilter $filter): ?ChosenFilter
    {
        return $said === self::YES && $filter->rule !== null
            ? new ChosenFilter($filter, self::YES, $filter->rule, [self::YES])
            : null;
    }

    public function chosenWords(ChosenFilter $chosen, Format $format): string
    {
        return $chosen->filter->label();
    }
}
