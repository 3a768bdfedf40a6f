<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

/** Puts cards, in order, each in the shortest column; of equally short ones in the first. */
final class MasonryColumns
{
    /**
     * @param  list<float>  $heights  of the cards, all by the same measure: a column's width is 1
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
