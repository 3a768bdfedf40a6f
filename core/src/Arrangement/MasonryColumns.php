<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

/** Places cards in order, each in the shortest column; of equal ones, in the first. */
final class MasonryColumns
{
    /**
     * @param  list<float>  $heights  heights of the cards in units of a column's width
     * @param  positive-int  $columns
     * @return list<positive-int> the column of each card, 1 first
     */
    public static function of(array $heights, int $columns): array
    {
        $filled = array_fill(1, $columns, 0.0);
        $places = [];
        foreach ($heights as $height) {
            $shortest = array_keys($filled, min($filled), true)[0];
            $places[] = max(1, $shortest);
            $filled[$shortest] += $height;
        }

        return $places;
    }
}
