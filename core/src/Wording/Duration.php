<?php

declare(strict_types=1);

namespace Wellspring\Core\Wording;

use Wellspring\Core\Time\DurationUnit;

/** Durations in words: “week”, “3 weeks”. */
final class Duration
{
    /** Without the number one, as in “the last week”. */
    public static function words(int $amount, DurationUnit $unit): string
    {
        $one = substr($unit->value, 0, -1);

        return Message::of("{n, plural, =1 {{$one}} other {{n, number, integer} {$unit->value}}}", ['n' => $amount]);
    }
}
