<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

/** How many values of a list a record must have. */
enum Quantifier: string
{
    case Any = 'anyOf';
    case All = 'allOf';
    case None = 'noneOf';

    /** @param  list<bool>  $met for each value of the list, whether the record has it */
    public function holds(array $met): bool
    {
        return match ($this) {
            self::Any => in_array(true, $met, true),
            self::All => ! in_array(false, $met, true),
            self::None => ! in_array(true, $met, true),
        };
    }

    public function words(mixed $given): string
    {
        $many = is_array($given) && count($given) > 1;

        return match ($this) {
            self::Any => $many ? 'is any of' : 'is',
            self::All => $many ? 'is all of' : 'is',
            self::None => $many ? 'is none of' : 'is not',
        };
    }
}
