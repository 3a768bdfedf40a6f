<?php

declare(strict_types=1);

namespace Database\Seeders\Demo;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** A picture that is drawn by rule from a seed number: the same number always gives the same picture. */
abstract class Drawing
{
    /** Drawn larger and made small, so that edges are smooth. */
    private const SCALE = 2;

    protected readonly Randomizer $random;

    private \GdImage $canvas;

    /**
     * @param  int<1, max>  $width  px
     * @param  int<1, max>  $height  px
     */
    protected function __construct(int $seed, protected readonly int $width, protected readonly int $height)
    {
        $this->random = new Randomizer(new Mt19937($seed));
        $this->ground([255, 255, 255]);
    }

    /**
     * Begins anew on a ground. The first colour of a palette is what its picture is filled with, much faster than by
     * filling it.
     *
     * @param  array{int<0, 255>, int<0, 255>, int<0, 255>}  $rgb
     */
    protected function ground(array $rgb): void
    {
        $canvas = imagecreate($this->width * self::SCALE, $this->height * self::SCALE);
        imagecolorallocate($canvas, ...$rgb);
        imagepalettetotruecolor($canvas);
        $this->canvas = $canvas;
    }

    /**
     * @param  non-empty-list<array{float, float}>  $points
     * @param  array{int, int, int}  $colour
     */
    protected function polygon(array $points, array $colour): void
    {
        $flat = [];
        foreach ($points as [$x, $y]) {
            array_push($flat, (int) round($x * self::SCALE), (int) round($y * self::SCALE));
        }
        imagefilledpolygon($this->canvas, $flat, $this->colour($colour));
    }

    /** @param  array{int, int, int}  $colour */
    protected function disc(float $x, float $y, float $radius, array $colour): void
    {
        $across = (int) round($radius * 2 * self::SCALE);
        imagefilledellipse(
            $this->canvas,
            (int) round($x * self::SCALE),
            (int) round($y * self::SCALE),
            $across,
            $across,
            $this->colour($colour),
        );
    }

    /**
     * @param  array{int, int, int}  $colour
     * @return array{int, int, int}
     */
    protected function tint(array $colour, float $by): array
    {
        return [(int) min(255, $colour[0] * $by), (int) min(255, $colour[1] * $by), (int) min(255, $colour[2] * $by)];
    }

    /** @param  array{int, int, int}  $rgb */
    protected function colour(array $rgb): int
    {
        $limit = fn (int $part): int => max(0, min(255, $part));

        return (int) imagecolorallocate($this->canvas, $limit($rgb[0]), $limit($rgb[1]), $limit($rgb[2]));
    }

    protected function between(float $from, float $to): float
    {
        return $from + ($to - $from) * $this->random->getInt(0, 1_000_000) / 1_000_000;
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $choices
     * @return T
     */
    protected function pick(array $choices): mixed
    {
        return $choices[$this->random->getInt(0, count($choices) - 1)];
    }

    protected function picture(): string
    {
        $small = imagescale($this->canvas, $this->width, $this->height, IMG_BOX);
        ob_start();
        imagepng($small === false ? $this->canvas : $small, null, 1);

        return (string) ob_get_clean();
    }
}
