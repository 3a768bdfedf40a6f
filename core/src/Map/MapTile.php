<?php

declare(strict_types=1);

namespace Wellspring\Core\Map;

/**
 * A tile of the world map in the Mercator projection on a sphere, which most web maps use (EPSG:3857). At zoom z the
 * world is 2^z tiles wide, counted from 180° west and from 85.0511° north.
 */
final readonly class MapTile
{
    /** Side length in pixels. */
    public const SIDE = 256;

    /** Maximum zoom. The outline has no more detail. */
    public const MAX_ZOOM = 9;

    /** The zoom level from which the fine outline is used. */
    private const FINE_FROM = 4;

    private const MARGIN = 4;

    /** Points closer together than this, in pixels, are merged. */
    private const NEAR = 0.4;

    private function __construct(private int $zoom, private int $x, private int $y)
    {
    }

    /** @return self|null null where there is no such tile */
    public static function at(int $zoom, int $x, int $y): ?self
    {
        $across = 2 ** max(0, $zoom);

        return $zoom >= 0 && $zoom <= self::MAX_ZOOM && $x >= 0 && $x < $across && $y >= 0 && $y < $across
            ? new self($zoom, $x, $y)
            : null;
    }

    /**
     * The position of a place on the world map at a zoom level.
     *
     * @return array{float, float} in tiles, from the west and from the north
     */
    public static function position(int $zoom, float $latitude, float $longitude): array
    {
        $across = 2 ** $zoom;
        $sine = sin(deg2rad(max(-85.06, min(85.06, $latitude))));

        return [
            ($longitude + 180) / 360 * $across,
            (0.5 - log((1 + $sine) / (1 - $sine)) / (4 * M_PI)) * $across,
        ];
    }

    /** @return string path data of SVG; empty where there is no land. Filled by the rule evenodd */
    public function land(): string
    {
        $outline = $this->zoom < self::FINE_FROM ? LandOutline::Coarse : LandOutline::Fine;
        $unit = $outline->unit();
        $across = 2 ** $this->zoom;
        $degrees = 360 / $across;
        $latitude = fn (float $y): float => rad2deg(atan(sinh(M_PI * (1 - 2 * $y / $across))));
        $room = $degrees * self::MARGIN / self::SIDE;
        $path = '';
        foreach ($outline->within(
            (int) floor(($this->x * $degrees - 180 - $room) * $unit),
            (int) floor(($latitude($this->y + 1) - $room) * $unit),
            (int) ceil((($this->x + 1) * $degrees - 180 + $room) * $unit),
            (int) ceil(($latitude($this->y) + $room) * $unit),
        ) as $ring) {
            $path .= self::path(Clipping::of($this->projected($ring, $unit), self::SIDE, self::SIDE, self::MARGIN));
        }

        return $path;
    }

    /**
     * @param  list<array{int, int}>  $ring
     * @return list<array{float, float}> in pixels of the tile
     */
    private function projected(array $ring, int $unit): array
    {
        $points = [];
        $last = null;
        foreach ($ring as [$longitude, $latitude]) {
            [$x, $y] = self::position($this->zoom, $latitude / $unit, $longitude / $unit);
            $point = [($x - $this->x) * self::SIDE, ($y - $this->y) * self::SIDE];
            if ($last === null || abs($point[0] - $last[0]) + abs($point[1] - $last[1]) >= self::NEAR) {
                $points[] = $last = $point;
            }
        }

        return $points;
    }

    /** @param  list<array{float, float}>  $ring */
    private static function path(array $ring): string
    {
        return count($ring) < 3 ? '' : 'M'.implode('L', array_map(
            fn (array $point): string => round($point[0], 1).' '.round($point[1], 1),
            $ring,
        )).'Z';
    }
}
