<?php

declare(strict_types=1);

namespace Wellspring\Core\Map;

/**
 * A drawn map around a place: the outline of the land, with the place in the middle. It uses the equirectangular
 * projection, which is true to scale along the place's parallel. The map is large enough to show some coast.
 */
final readonly class PlaceMap
{
    public const WIDTH = 640;

    public const HEIGHT = 360;

    /** The heights of the map in degrees that are tried, smallest first. */
    private const REACHES = [3, 6, 12, 24, 48];

    /** How far land is drawn beyond the edge, in units of the map, so that no line appears along the edge. */
    private const MARGIN = 8;

    /**
     * @param  list<string>  $land  SVG path data, one ring each; fill rule evenodd
     * @param  array{float, float}  $point  position of the place, from the left and from the top
     * @param  int  $reach  height of the map in degrees
     */
    private function __construct(public array $land, public array $point, public int $reach)
    {
    }

    /**
     * @param  float  $latitude  degrees north, WGS 84
     * @param  float  $longitude  degrees east
     */
    public static function around(float $latitude, float $longitude): self
    {
        foreach (self::REACHES as $reach) {
            [$land, $point] = self::draw($latitude, $longitude, $reach);
            if (self::hasCoast($land)) {
                break;
            }
        }

        return new self(
            array_map(fn (array $ring): string => 'M'.implode('L', array_map(
                fn (array $at): string => round($at[0], 1).' '.round($at[1], 1),
                $ring,
            )).'Z', $land),
            $point,
            $reach,
        );
    }

    /** @return array{list<non-empty-list<array{float, float}>>, array{float, float}} rings on the map, and the place */
    private static function draw(float $latitude, float $longitude, int $reach): array
    {
        $scale = self::HEIGHT / ($reach * 100);
        // Near the poles a degree of longitude is short; beyond 85° nothing more of it would be visible.
        $narrow = max(0.09, cos(deg2rad($latitude)));
        $half = [self::WIDTH / 2 / $scale / $narrow, self::HEIGHT / 2 / $scale];
        $middle = [$longitude * 100, max(-9000 + $half[1], min(9000 - $half[1], $latitude * 100))];
        $rings = LandOutline::Coarse->within(
            (int) floor($middle[0] - $half[0]),
            (int) floor($middle[1] - $half[1]),
            (int) ceil($middle[0] + $half[0]),
            (int) ceil($middle[1] + $half[1]),
        );
        $at = fn (float $x, float $y): array => [
            self::WIDTH / 2 + ($x - $middle[0]) * $scale * $narrow,
            self::HEIGHT / 2 - ($y - $middle[1]) * $scale,
        ];
        $land = [];
        foreach ($rings as $ring) {
            $clipped = Clipping::of(
                array_map(fn (array $point): array => $at($point[0], $point[1]), $ring),
                self::WIDTH,
                self::HEIGHT,
                self::MARGIN,
            );
            if ($clipped !== []) {
                $land[] = $clipped;
            }
        }

        return [$land, $at($longitude * 100, $latitude * 100)];
    }

    /**
     * True if the map contains some coast.
     *
     * @param  list<non-empty-list<array{float, float}>>  $land
     */
    private static function hasCoast(array $land): bool
    {
        foreach ($land as $ring) {
            foreach ($ring as [$x, $y]) {
                if ($x >= 0 && $x <= self::WIDTH && $y >= 0 && $y <= self::HEIGHT) {
                    return true;
                }
            }
        }

        return false;
    }
}
