<?php

declare(strict_types=1);

namespace Wellspring\Core\Map;

/**
 * Clips a ring of points at the edges of a map: the algorithm of Sutherland and Hodgman, one edge after the other
 * (“Reentrant polygon clipping”, Communications of the ACM 17, 1974).
 */
final class Clipping
{
    /**
     * @param  list<array{float, float}>  $ring
     * @param  int  $margin  extra width beyond the edges
     * @return list<array{float, float}> empty where nothing of it lies on the map
     */
    public static function of(array $ring, int $width, int $height, int $margin): array
    {
        foreach ([
            [0, -$margin, 1], [0, $width + $margin, -1], [1, -$margin, 1], [1, $height + $margin, -1],
        ] as [$axis, $edge, $side]) {
            $kept = [];
            $before = $ring[count($ring) - 1] ?? [0.0, 0.0];
            foreach ($ring as $point) {
                $isIn = ($point[$axis] - $edge) * $side >= 0;
                if ($isIn !== (($before[$axis] - $edge) * $side >= 0)) {
                    $part = ($edge - $before[$axis]) / ($point[$axis] - $before[$axis]);
                    $kept[] = [
                        $before[0] + ($point[0] - $before[0]) * $part,
                        $before[1] + ($point[1] - $before[1]) * $part,
                    ];
                }
                if ($isIn) {
                    $kept[] = $point;
                }
                $before = $point;
            }
            $ring = $kept;
        }

        return $ring;
    }
}
