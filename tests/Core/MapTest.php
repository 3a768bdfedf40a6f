<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Wellspring\Core\Map\MapTile;
use Wellspring\Core\Map\PlaceMap;
use Wellspring\Core\Page\Block\MapOfPlace;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Problem\Shape;

/** The map of a place: Natural Earth's land around it. */
final class MapTest extends TestCase
{
    /** @return iterable<string, array{float, float, bool}> places, in degrees; from memory */
    public static function places(): iterable
    {
        yield 'Exeter' => [50.72, -3.53, true];
        yield 'Quillmoor’s river mouth, ten miles out' => [50.40, -3.30, false];
        yield 'Paris' => [48.86, 2.35, true];
        yield 'Alice Springs, far from any coast' => [-23.70, 133.88, true];
        yield 'the middle of the Atlantic' => [30.0, -45.0, false];
        yield 'the Caspian Sea, a hole in the land' => [42.0, 50.5, false];
        yield 'Taveuni, which the 180th meridian crosses' => [-16.85, -179.98, true];
        yield 'east of Taveuni, over the meridian' => [-17.0, -179.0, false];
        yield 'next to the South Pole' => [-89.5, 0.0, true];
        yield 'the North Pole' => [90.0, 0.0, false];
    }

    #[DataProvider('places')]
    public function test_a_place_lies_on_land_where_it_does(float $latitude, float $longitude, bool $isLand): void
    {
        $map = PlaceMap::around($latitude, $longitude);
        $this->assertSame($isLand, self::isOn($map->land, $map->point));
        $this->assertEqualsWithDelta(PlaceMap::WIDTH / 2, $map->point[0], 0.01);
        foreach ($map->land as $ring) {
            foreach (self::points($ring) as [$x, $y]) {
                $this->assertTrue(abs($x - 320) <= 328.1 && abs($y - 180) <= 188.1, "{$x} {$y} lies on the map");
            }
        }
    }

    /** On Exeter's parallel a degree of longitude is cos 50.72° = 0.633 of one of latitude. */
    public function test_its_own_parallel_is_true_to_scale(): void
    {
        $map = PlaceMap::around(50.72, -3.53);
        $this->assertSame(3, $map->reach);
        // 360 units are 3 degrees of latitude; the westernmost mainland, 5.71° W and 50.07° N, is 2.18 degrees west.
        $west = [320 - 2.18 * 120 * 0.633, 180 + 0.65 * 120];
        $nearest = min(1000.0, ...array_map(
            fn (array $point): float => hypot($point[0] - $west[0], $point[1] - $west[1]),
            array_merge(...array_map(self::points(...), $map->land)),
        ));
        $this->assertLessThan(8, $nearest, 'within 4 miles, at 1:50 million');
    }

    /** @return list<array{float, float}> */
    private static function points(string $path): array
    {
        return array_map(function (string $pair): array {
            [$x, $y] = explode(' ', $pair);

            return [(float) $x, (float) $y];
        }, explode('L', trim($path, 'MZ')));
    }

    /**
     * By the rule evenodd: a line to the right crosses the outline an odd number of times.
     *
     * @param  list<string>  $rings
     * @param  array{float, float}  $at
     */
    private static function isOn(array $rings, array $at): bool
    {
        $isOn = false;
        foreach ($rings as $ring) {
            $points = self::points($ring);
            $before = $points[count($points) - 1];
            foreach ($points as $point) {
                $isOver = $point[1] > $at[1];
                if ($isOver !== ($before[1] > $at[1])) {
                    $part = ($at[1] - $before[1]) / ($point[1] - $before[1]);
                    $isOn = $isOn !== ($at[0] < $before[0] + ($point[0] - $before[0]) * $part);
                }
                $before = $point;
            }
        }

        return $isOn;
    }

    /** The Mercator projection of web maps (EPSG:3857). The values are worked out by hand. */
    public function test_a_place_lies_in_the_tile_of_web_maps(): void
    {
        $this->assertEqualsWithDelta([0.5, 0.5], MapTile::position(0, 0, 0), 1e-9);
        $this->assertEqualsWithDelta([0.0, 0.0], MapTile::position(0, 85.0511287798, -180), 1e-6);
        $this->assertEqualsWithDelta([2.0, 2.0], MapTile::position(1, -85.0511287798, 180), 1e-6);
        // ln(tan(45° + 60°/2)) = 1.316958; (1 - 1.316958/π) / 2 · 8 = 2.323203.
        $this->assertEqualsWithDelta([4.666667, 2.323203], MapTile::position(3, 60, 30), 1e-5);
    }

    public function test_tiles_show_land_where_there_is_land(): void
    {
        $tile = function (int $zoom, float $latitude, float $longitude): string {
            [$x, $y] = MapTile::position($zoom, $latitude, $longitude);

            return (string) MapTile::at($zoom, (int) floor($x), (int) floor($y))?->land();
        };
        $this->assertSame('', $tile(5, -20, -120), 'the open Pacific');
        // The Sahara fills its tile and the margin around it.
        $sahara = $tile(6, 22, 10);
        $this->assertSame(1, substr_count($sahara, 'M'));
        preg_match_all('/-?\d+(?:\.\d+)?/', $sahara, $numbers);
        $edges = array_values(array_unique(array_map(floatval(...), $numbers[0])));
        $this->assertEqualsCanonicalizing([-4.0, 260.0], $edges);
        // One tile holds Wiltshire, which is land, and the Channel south of it, which is sea.
        $south = $tile(6, 51.4, -2);
        $this->assertTrue(self::isIn($south, MapTile::position(6, 51.4, -2)));
        $this->assertFalse(self::isIn($south, MapTile::position(6, 50, -2.5)));
        $coast = $tile(8, 50.6, -3.5);
        $this->assertGreaterThan(40, substr_count($coast, 'L'), 'a coast has many points');
        foreach ([[-1, 0, 0], [10, 0, 0], [3, 8, 0], [3, 0, -1]] as $none) {
            $this->assertNull(MapTile::at(...$none));
        }
    }

    public function test_a_map_stands_around_a_place_given_by_hand(): void
    {
        $read = function (array $block): array {
            $problems = new Problems;
            $made = MapOfPlace::read(new Shape(['block' => 'map'] + $block, '', $problems, ['block']), $problems, null);
            $problems->refuseIfAny();

            return $made->toArray();
        };
        $place = ['address' => 'Mill Lane', 'latitude' => 50.61, 'longitude' => -3.52];
        $said = ['place' => $place, 'zoom' => 12];
        $this->assertSame(['block' => 'map'] + $said, $read($said));
        foreach ([['address' => 'Mill Lane'], ['latitude' => 91, 'longitude' => 0], null] as $wrong) {
            try {
                $read($wrong === null ? [] : ['place' => $wrong]);
                $this->fail('It is refused.');
            } catch (Refused $refused) {
                $this->assertContains($refused->problems[0]->path, ['place', 'field']);
            }
        }
    }

    /**
     * Whether a place lies on the land of its tile, by the rule evenodd.
     *
     * @param  array{float, float}  $position  in tiles
     */
    private static function isIn(string $land, array $position): bool
    {
        [$x, $y] = array_map(fn (float $at): float => ($at - floor($at)) * MapTile::SIDE, $position);
        $isIn = false;
        foreach (array_filter(explode('M', str_replace('Z', '', $land))) as $ring) {
            $points = array_map(
                fn (string $point): array => array_map(floatval(...), explode(' ', $point)),
                explode('L', $ring),
            );
            $before = $points[count($points) - 1];
            foreach ($points as $point) {
                $crosses = ($point[1] > $y) !== ($before[1] > $y)
                    && $x < ($before[0] - $point[0]) * ($y - $point[1]) / ($before[1] - $point[1]) + $point[0];
                $isIn = $crosses ? ! $isIn : $isIn;
                $before = $point;
            }
        }

        return $isIn;
    }
}
