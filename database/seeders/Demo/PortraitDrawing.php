<?php

declare(strict_types=1);

namespace Database\Seeders\Demo;

/** Draws a made-up person by rule: shoulders, a face in plain shapes, hair, often a hat. */
final class PortraitDrawing extends Drawing
{
    private const WIDTH = 640;

    private const HEIGHT = 640;

    private const SKINS = [
        [242, 212, 186], [226, 184, 150], [198, 148, 112], [158, 110, 80], [118, 80, 58], [236, 200, 172],
    ];

    private const HAIRS = [
        [62, 44, 34], [120, 78, 46], [178, 128, 70], [206, 198, 188], [38, 36, 40], [150, 66, 38],
    ];

    private const CLOTHES = [
        [63, 107, 79], [164, 72, 38], [54, 84, 112], [122, 92, 130], [198, 158, 84], [84, 112, 104],
    ];

    private const GROUNDS = [
        [237, 240, 224], [242, 236, 222], [228, 238, 234], [240, 232, 226], [232, 236, 240],
    ];

    /** A portrait, as the bytes of a PNG picture. */
    public static function of(int $seed): string
    {
        $portrait = new self($seed, self::WIDTH, self::HEIGHT);
        $portrait->draw($seed);

        return $portrait->picture();
    }

    private function draw(int $seed): void
    {
        $this->ground($this->pick(self::GROUNDS));
        $skin = self::SKINS[$seed % count(self::SKINS)];
        $hair = $this->pick(self::HAIRS);
        $clothes = self::CLOTHES[($seed * 5 + 1) % count(self::CLOTHES)];
        [$x, $y] = [320.0, 300.0 + $this->between(-8, 8)];
        $wide = $this->between(104, 122);
        $long = $wide * $this->between(1.16, 1.3);
        $hasLongHair = $seed % 3 === 0;
        if ($hasLongHair) {
            $this->oval($x, $y + 50, $wide * 1.3, $long * 1.45, $hair);
        }
        $this->shoulders($x, $y + $long, $clothes);
        $this->polygon([
            [$x - 44, $y + $long * 0.7], [$x + 44, $y + $long * 0.7],
            [$x + 50, $y + $long + 40], [$x - 50, $y + $long + 40],
        ], $this->tint($skin, 0.88));
        $this->oval($x, $y, $wide, $long, $skin);
        $this->face($x, $y, $wide, $skin, $hair);
        $this->fringe($x, $y, $wide, $long, $hair);
        if ($seed % 2 === 0) {
            $this->hat($x, $y - $long * 0.55, $wide, $this->pick([[214, 188, 128], [92, 84, 70], [150, 66, 38]]));
        }
        if ($seed % 5 === 1) {
            $this->glasses($x, $y, $wide);
        }
    }

    /** @param  array{int, int, int}  $colour */
    private function shoulders(float $x, float $y, array $colour): void
    {
        $points = [[$x - 260, 660.0]];
        for ($i = 0; $i <= 24; $i++) {
            $t = $i / 24 * M_PI;
            $points[] = [$x - cos($t) * 240, $y + 90 - sin($t) * 78 + abs(cos($t)) * 60];
        }
        $points[] = [$x + 260, 660.0];
        $this->polygon($points, $colour);
        $this->polygon([[$x - 62, $y + 14], [$x, $y + 96], [$x + 62, $y + 14], [$x + 84, $y + 36], [$x, $y + 140],
            [$x - 84, $y + 36]], $this->tint($colour, 1.25));
    }

    /**
     * @param  array{int, int, int}  $skin
     * @param  array{int, int, int}  $hair
     */
    private function face(float $x, float $y, float $wide, array $skin, array $hair): void
    {
        foreach ([-1, 1] as $side) {
            $eye = $x + $side * $wide * 0.38;
            $this->disc($x + $side * $wide * 0.98, $y + 14, 22, $this->tint($skin, 0.92));
            $this->disc($eye, $y - 6, 9, [44, 38, 36]);
            $this->oval($eye, $y - 34, 24, 5, $this->tint($hair, 0.9));
            $this->disc($x + $side * $wide * 0.55, $y + 40, 20, $this->tint($skin, 0.94));
        }
        $this->polygon([[$x - 4, $y - 2], [$x + 13, $y + 32], [$x - 9, $y + 34]], $this->tint($skin, 0.86));
        $smile = [];
        for ($i = 0; $i <= 12; $i++) {
            $t = $i / 12;
            $smile[] = [$x - 36 + 72 * $t, $y + 64 + sin($t * M_PI) * 16];
        }
        for ($i = 12; $i >= 0; $i--) {
            $t = $i / 12;
            $smile[] = [$x - 36 + 72 * $t, $y + 60 + sin($t * M_PI) * 8];
        }
        $this->polygon($smile, [150, 70, 60]);
    }

    /** @param  array{int, int, int}  $colour */
    private function fringe(float $x, float $y, float $wide, float $long, array $colour): void
    {
        $points = [];
        for ($i = 0; $i <= 24; $i++) {
            $t = M_PI * (1 + $i / 24);
            $points[] = [$x + cos($t) * $wide * 1.08, $y + sin($t) * $long * 1.08];
        }
        $part = $this->between(-0.5, 0.5);
        $points[] = [$x + $wide * 0.95, $y - 20];
        $points[] = [$x + $wide * $part, $y - $long * 0.58];
        $points[] = [$x - $wide * 0.95, $y - 14];
        $this->polygon($points, $colour);
    }

    /** @param  array{int, int, int}  $colour */
    private function hat(float $x, float $y, float $wide, array $colour): void
    {
        $this->oval($x, $y, $wide * 1.75, 34, $this->tint($colour, 0.9));
        $points = [];
        for ($i = 0; $i <= 20; $i++) {
            $t = M_PI * (1 + $i / 20);
            $points[] = [$x + cos($t) * $wide * 1.02, $y + sin($t) * $wide * 0.95];
        }
        $this->polygon($points, $colour);
        $this->polygon([
            [$x - $wide * 1.02, $y - 22], [$x + $wide * 1.02, $y - 22],
            [$x + $wide * 1.02, $y], [$x - $wide * 1.02, $y],
        ], $this->tint($colour, 0.6));
    }

    private function glasses(float $x, float $y, float $wide): void
    {
        foreach ([-1, 1] as $side) {
            $at = $x + $side * $wide * 0.38;
            for ($i = 0; $i < 40; $i++) {
                $t = $i / 40 * 2 * M_PI;
                $this->disc($at + cos($t) * 30, $y - 6 + sin($t) * 28, 3, [52, 48, 46]);
            }
        }
        $this->polygon([[$x - 14, $y - 10], [$x + 14, $y - 10], [$x + 14, $y - 5], [$x - 14, $y - 5]], [52, 48, 46]);
    }

    /** @param  array{int, int, int}  $colour */
    private function oval(float $x, float $y, float $across, float $down, array $colour): void
    {
        $points = [];
        for ($i = 0; $i < 48; $i++) {
            $t = $i / 48 * 2 * M_PI;
            $points[] = [$x + cos($t) * $across, $y + sin($t) * $down];
        }
        $this->polygon($points, $colour);
    }
}
