<?php

declare(strict_types=1);

namespace Wellspring\Core\Problem;

/** Writes the paths of places inside nested data: `order[0].by`. */
final class Path
{
    public static function to(string $base, string|int $step): string
    {
        if (is_int($step)) {
            return $base.'['.$step.']';
        }

        return $base === '' ? $step : $base.'.'.$step;
    }
}
