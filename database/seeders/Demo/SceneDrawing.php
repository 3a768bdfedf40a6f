<?php

declare(strict_types=1);

namespace Database\Seeders\Demo;

/** Draws a place in the garden by rule: sky, hills, trees, and what stands there: a glasshouse, a bench, a path. */
final class SceneDrawing extends Drawing
{
    /** Width and height of the shapes that scenes have, px. */
    private const SHAPES = [[800, 600], [640, 800], [720, 720], [880, 560], [600, 760]];

    private const SKIES = [
        [[226, 236, 240], [246, 226, 196]], [[236, 226, 214], [240, 190, 130]], [[214, 228, 236], [250, 244, 226]],
        [[238, 232, 216], [226, 150, 104]], [[206, 218, 228], [236, 224, 232]],
    ];

    private const GREENS = [[63, 107, 79], [86, 128, 72], [54, 112, 104], [104, 132, 82], [74, 98, 58]];

    /** A scene, as the bytes of a PNG picture. */
    public static function of(int $seed): string
    {
        [$width, $height] = self::SHAPES[$seed % count(self::SHAPES)];
        $scene = new self($seed, $width, $height);
        $scene->draw($seed);

        return $scene->picture();
    }

    private function draw(int $seed): void
    {
        [$w, $h] = [(float) $this->width, (float) $this->height];
        [$high, $low] = self::SKIES[$seed % count(self::SKIES)];
        $this->ground($high);
        for ($i = 0; $i < 24; $i++) {
            $t = $i / 24;
            $this->band($h * 0.62 * $t, $h * 0.62 * ($t + 0.05), array_map(
                fn (int $from, int $to): int => (int) ($from + ($to - $from) * $t),
                $high,
                $low,
            ));
        }
        $this->disc($this->between(0.15, 0.85) * $w, $this->between(0.14, 0.32) * $h, $this->between(28, 52), [
            250, 226, 170,
        ]);
        $green = $this->pick(self::GREENS);
        foreach ([[0.52, 1.5], [0.62, 1.22], [0.72, 1.0]] as $n => [$level, $shade]) {
            $this->hill($h * $level, $h * 0.06, $this->tint($green, $shade), $n + $seed);
            $leaves = $this->tint($green, $shade * 0.86);
            $this->trees($h * ($level + 0.03), (5 - $n) * 9.0 + $n * 30, $leaves, 7 - $n * 2);
        }
        match ($seed % 5) {
            0 => $this->glasshouse($w * 0.5, $h * 0.8, $h * 0.3),
            1 => $this->path($h * 0.7, $h),
            2 => $this->bench($w * 0.5, $h * 0.84, $h * 0.17),
            3 => $this->bed($h * 0.8, $h),
            default => $this->water($h * 0.76, $h),
        };
        $this->bed($h * 0.92, $h);
    }

    /** @param  array<array-key, int>  $colour */
    private function band(float $from, float $to, array $colour): void
    {
        [$red, $green, $blue] = [...array_values($colour), 0, 0, 0];
        $this->polygon(
            [[0.0, $from], [(float) $this->width, $from], [(float) $this->width, $to], [0.0, $to]],
            [$red, $green, $blue],
        );
    }

    /** @param  array{int, int, int}  $colour */
    private function hill(float $y, float $swing, array $colour, int $phase): void
    {
        $points = [[0.0, (float) $this->height]];
        for ($i = 0; $i <= 40; $i++) {
            $points[] = [
                $this->width * $i / 40,
                $y + sin($i / 40 * 5 + $phase * 1.7) * $swing + sin($i / 40 * 11 + $phase) * $swing * 0.3,
            ];
        }
        $points[] = [(float) $this->width, (float) $this->height];
        $this->polygon($points, $colour);
    }

    /** @param  array{int, int, int}  $colour */
    private function trees(float $y, float $size, array $colour, int $count): void
    {
        for ($i = 0; $i < $count; $i++) {
            $x = $this->between(0, 1) * $this->width;
            $tall = $size * $this->between(0.8, 1.6);
            $this->polygon([[$x - 3, $y], [$x + 3, $y], [$x + 2, $y - $tall], [$x - 2, $y - $tall]], [96, 80, 60]);
            if ($this->random->getInt(0, 1) === 0) {
                $this->polygon([[$x, $y - $tall * 2.4], [$x + $tall * 0.5, $y - $tall * 0.3],
                    [$x - $tall * 0.5, $y - $tall * 0.3]], $colour);
            } else {
                foreach ([[-0.35, 1.0], [0.35, 1.0], [0.0, 1.5]] as [$dx, $dy]) {
                    $this->disc($x + $dx * $tall, $y - $tall * $dy, $tall * 0.52, $this->tint($colour, 1 + $dx * 0.12));
                }
            }
        }
    }

    private function glasshouse(float $x, float $y, float $size): void
    {
        $wide = $size * 1.15;
        $this->polygon([
            [$x - $wide, $y], [$x - $wide, $y - $size * 0.62], [$x, $y - $size * 1.15], [$x + $wide, $y - $size * 0.62],
            [$x + $wide, $y],
        ], [226, 238, 236]);
        for ($i = -4; $i <= 4; $i++) {
            $at = $x + $i * $wide / 4;
            $top = $y - $size * 1.15 + abs($i) * $size * 0.53 / 4;
            $this->polygon([[$at - 2, $top], [$at + 2, $top], [$at + 2, $y], [$at - 2, $y]], [96, 124, 118]);
        }
        $this->polygon([[$x - $wide, $y - $size * 0.64], [$x + $wide, $y - $size * 0.64],
            [$x + $wide, $y - $size * 0.6], [$x - $wide, $y - $size * 0.6]], [96, 124, 118]);
        $this->polygon([[$x - $size * 0.16, $y - $size * 0.46], [$x + $size * 0.16, $y - $size * 0.46],
            [$x + $size * 0.16, $y], [$x - $size * 0.16, $y]], [164, 92, 58]);
    }

    private function bench(float $x, float $y, float $size): void
    {
        $wood = [150, 104, 66];
        foreach ([-0.95, 0.95] as $side) {
            $this->polygon([[$x + $side * $size - 6, $y - $size], [$x + $side * $size + 6, $y - $size],
                [$x + $side * $size + 6, $y + $size * 0.4], [$x + $side * $size - 6, $y + $size * 0.4]], [104, 74, 50]);
        }
        foreach ([-0.9, -0.62, -0.34, 0.0] as $n => $level) {
            $high = $n === 3 ? 16 : 12;
            [$top, $half] = [$y + $level * $size, $size * 1.1];
            $this->polygon([
                [$x - $half, $top], [$x + $half, $top], [$x + $half, $top + $high], [$x - $half, $top + $high],
            ], $wood);
        }
    }

    private function path(float $from, float $to): void
    {
        $x = $this->width * $this->between(0.35, 0.65);
        $this->polygon([[$x - 12, $from], [$x + 12, $from], [$x + $this->width * 0.26, $to],
            [$x - $this->width * 0.2, $to]], [222, 206, 170]);
    }

    private function water(float $from, float $to): void
    {
        $this->polygon([[0.0, $from + 26], [$this->width * 0.5, $from], [(float) $this->width, $from + 20],
            [(float) $this->width, $to], [0.0, $to]], [132, 168, 176]);
        for ($i = 0; $i < 9; $i++) {
            $x = $this->between(0.05, 0.8) * $this->width;
            $y = $this->between($from + 40, $to - 30);
            $this->polygon([[$x, $y], [$x + 90, $y], [$x + 84, $y + 4], [$x + 6, $y + 4]], [176, 204, 208]);
        }
    }

    private function bed(float $from, float $to): void
    {
        for ($i = 0; $i < 60; $i++) {
            $x = $this->between(0, 1) * $this->width;
            $y = $this->between($from, $to);
            $tall = $this->between(14, 44);
            $this->polygon(
                [[$x - 2, $y], [$x + 2, $y], [$x + $this->between(-6, 6), $y - $tall]],
                $this->tint($this->pick(self::GREENS), 0.8),
            );
            if ($i % 3 === 0) {
                $this->disc($x, $y - $tall, $this->between(4, 9), $this->pick([
                    [196, 96, 62], [158, 84, 132], [222, 168, 66], [110, 112, 178], [240, 232, 210],
                ]));
            }
        }
    }
}
