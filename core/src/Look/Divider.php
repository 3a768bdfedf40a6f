<?php

declare(strict_types=1);

namespace Wellspring\Core\Look;

/** The decorative edges between bands as CSS polygons: points in percent of the edge's width and height. */
final class Divider
{
    private const WAVES = 3;

    private const SCALLOPS = 16;

    /** Deterministic points of a torn edge: the fractional parts of multiples of the golden ratio. */
    private const TEARS = 48;

    /**
     * @param  'slope'|'wave'|'scallop'|'torn'  $shape
     * @return string what `polygon()` takes: filled from the drawn edge down
     */
    public static function polygon(string $shape, bool $flipped): string
    {
        $edge = match ($shape) {
            'slope' => [[0.0, 100.0], [100.0, 0.0]],
            'wave' => self::curve(48, fn (float $x): float => 50 - 50 * sin($x * 2 * M_PI * self::WAVES)),
            'scallop' => self::curve(
                self::SCALLOPS * 6,
                fn (float $x): float => 100 - 100 * abs(sin($x * M_PI * self::SCALLOPS)),
            ),
            'torn' => self::curve(self::TEARS, fn (float $x): float => 15 + 70 * fmod(
                round($x * self::TEARS) * 1.6180339887,
                1.0,
            )),
        };
        if ($flipped) {
            $edge = array_reverse(array_map(fn (array $point): array => [100 - $point[0], $point[1]], $edge));
        }
        $points = [...$edge, [100.0, 101.0], [0.0, 101.0]];

        return implode(', ', array_map(
            fn (array $point): string => round($point[0], 1).'% '.round($point[1], 1).'%',
            $points,
        ));
    }

    /**
     * @param  positive-int  $steps
     * @param  \Closure(float): float  $height  the height at a share of the width
     * @return list<array{float, float}>
     */
    private static function curve(int $steps, \Closure $height): array
    {
        return array_map(
            fn (int $i): array => [100 * $i / $steps, $height($i / $steps)],
            range(0, $steps),
        );
    }
}
