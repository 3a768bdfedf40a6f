<?php

declare(strict_types=1);

namespace Database\Seeders\Demo;

/** Draws a plant by rule from a seed number: the same number always gives the same picture. */
final class PlantDrawing extends Drawing
{
    public const FORMS = ['fern', 'broad', 'spire', 'daisy', 'grass', 'shrub', 'bulb', 'climber'];

    private const WIDTH = 800;

    private const HEIGHT = 600;

    /** @var array{int, int, int} */
    private array $green;

    /** @var array{int, int, int} */
    private array $bloom;

    private function __construct(int $seed)
    {
        parent::__construct($seed, self::WIDTH, self::HEIGHT);
        $this->green = $this->pick([[63, 107, 79], [86, 128, 72], [54, 112, 104], [104, 132, 82], [74, 98, 58]]);
        $this->bloom = $this->pick([
            [196, 96, 62],
            [158, 84, 132],
            [222, 168, 66],
            [110, 112, 178],
            [206, 118, 124],
            [240, 232, 210],
        ]);
        $this->ground(
            $this->pick([[237, 240, 224], [242, 236, 222], [228, 238, 234], [240, 232, 226], [232, 236, 240]]),
        );
    }

    /** One plant of a form, as the bytes of a PNG picture. */
    public static function plant(string $form, int $seed): string
    {
        $drawing = new self($seed);
        $drawing->grow($form, self::WIDTH / 2, self::HEIGHT * 0.9, 1.0);

        return $drawing->picture();
    }

    private function grow(string $form, float $x, float $y, float $size): void
    {
        match ($form) {
            'fern' => $this->fern($x, $y, $size),
            'broad' => $this->broad($x, $y, $size),
            'spire' => $this->spire($x, $y, $size),
            'daisy' => $this->daisy($x, $y, $size),
            'grass' => $this->grass($x, $y, $size),
            'shrub' => $this->branch($x, $y, -M_PI / 2, 130 * $size, 5, $size),
            'bulb' => $this->bulb($x, $y, $size),
            default => $this->climber($x, $y, $size),
        };
    }

    private function fern(float $x, float $y, float $size): void
    {
        $fronds = $this->random->getInt(5, 8);
        for ($i = 0; $i < $fronds; $i++) {
            $lean = ($i / ($fronds - 1) - 0.5) * 2.1 + $this->between(-0.08, 0.08);
            $length = $this->between(330, 450) * $size;
            $path = $this->arc($x, $y, -M_PI / 2 + $lean * 0.55, $lean * 0.9, $length, 26);
            $this->stroke($path, 5 * $size, 1.5, $this->shade(0.75));
            foreach ($path as $n => [$px, $py, $heading]) {
                if ($n < 3) {
                    continue;
                }
                $pinna = 78 * $size * sin(M_PI * (0.12 + 0.86 * $n / count($path)));
                foreach ([-1, 1] as $side) {
                    $this->leaf(
                        $px,
                        $py,
                        $heading + $side * 1.15,
                        $pinna,
                        $pinna * 0.26,
                        $this->shade($this->between(0.9, 1.12)),
                    );
                }
            }
        }
    }

    private function broad(float $x, float $y, float $size): void
    {
        $leaves = $this->random->getInt(8, 12);
        for ($i = 0; $i < $leaves; $i++) {
            $lean = (fmod($i * 0.618, 1) - 0.5) * 2.4;
            $length = $this->between(230, 380) * $size * (1 - abs($lean) * 0.18);
            $stem = $this->arc($x, $y, -M_PI / 2 + $lean * 0.7, $lean * 0.25, $length * 0.45, 8);
            $this->stroke($stem, 7 * $size, 4, $this->shade(0.8));
            [$tx, $ty, $heading] = $stem[count($stem) - 1];
            $tone = $this->between(0.85, 1.2);
            $this->leaf($tx, $ty, $heading, $length * 0.75, $length * 0.3, $this->shade($tone));
            $this->leaf($tx, $ty, $heading, $length * 0.7, $length * 0.012, $this->shade($tone * 1.25));
        }
    }

    private function spire(float $x, float $y, float $size): void
    {
        $this->broad($x, $y, $size * 0.5);
        $spires = $this->random->getInt(2, 4);
        for ($i = 0; $i < $spires; $i++) {
            $lean = ($i - ($spires - 1) / 2) * 0.16;
            $path = $this->arc(
                $x + ($i - ($spires - 1) / 2) * 34 * $size,
                $y,
                -M_PI / 2 + $lean,
                $lean * 0.4,
                $this->between(400, 490) * $size,
                30,
            );
            $this->stroke($path, 6 * $size, 2, $this->shade(0.8));
            for ($n = 12; $n < 30; $n++) {
                [$px, $py, $heading] = $path[$n];
                $bell = 34 * $size * (1.15 - $n / 34);
                $side = $n % 2 === 0 ? -1 : 1;
                $this->leaf(
                    $px,
                    $py,
                    $heading + $side * 2.0,
                    $bell * 1.4,
                    $bell * 0.55,
                    $this->tint($this->bloom, $this->between(0.9, 1.12)),
                );
            }
        }
    }

    private function daisy(float $x, float $y, float $size): void
    {
        $stems = $this->random->getInt(5, 8);
        for ($i = 0; $i < $stems; $i++) {
            $lean = ($i / ($stems - 1) - 0.5) * 1.1;
            $path = $this->arc($x, $y, -M_PI / 2 + $lean * 0.6, $lean * 0.4, $this->between(260, 450) * $size, 18);
            $this->stroke($path, 5 * $size, 2.5, $this->shade(0.85));
            foreach ([4, 7, 10] as $n) {
                [$px, $py, $heading] = $path[$n];
                $this->leaf(
                    $px,
                    $py,
                    $heading + ($n % 2 === 0 ? -0.9 : 0.9),
                    70 * $size,
                    16 * $size,
                    $this->shade($this->between(0.9, 1.15)),
                );
            }
            [$px, $py] = $path[count($path) - 1];
            $petals = 13;
            $radius = $this->between(38, 54) * $size;
            for ($p = 0; $p < $petals; $p++) {
                $this->leaf(
                    $px,
                    $py,
                    $p * 2 * M_PI / $petals,
                    $radius,
                    $radius * 0.2,
                    $this->tint($this->bloom, $p % 2 === 0 ? 1.0 : 1.1),
                );
            }
            $this->disc($px, $py, $radius * 0.3, [96, 70, 44]);
        }
    }

    private function grass(float $x, float $y, float $size): void
    {
        for ($i = 0; $i < 46; $i++) {
            $lean = $this->between(-1, 1);
            $path = $this->arc(
                $x + $lean * 26 * $size,
                $y,
                -M_PI / 2 + $lean * 0.42,
                $lean * 0.75,
                $this->between(260, 460) * $size,
                18,
            );
            $this->stroke($path, $this->between(4, 7) * $size, 1, $this->shade($this->between(0.8, 1.35)));
            if ($i % 4 === 0) {
                foreach (array_slice($path, -5) as [$px, $py, $heading]) {
                    $this->leaf($px, $py, $heading + 0.5, 24 * $size, 5 * $size, $this->tint($this->bloom, 1.05));
                }
            }
        }
    }

    private function branch(float $x, float $y, float $heading, float $length, int $depth, float $size): void
    {
        $path = $this->arc($x, $y, $heading, $this->between(-0.3, 0.3), $length, 8);
        $this->stroke($path, 3.2 * $depth * $size, max(1.5, 2.4 * ($depth - 1) * $size), [112, 92, 70]);
        [$tx, $ty, $th] = $path[count($path) - 1];
        if ($depth <= 3) {
            foreach ($path as $n => [$px, $py, $ph]) {
                $this->leaf(
                    $px,
                    $py,
                    $ph + ($n % 2 === 0 ? -1 : 1) * $this->between(0.5, 1.2),
                    40 * $size,
                    13 * $size,
                    $this->shade($this->between(0.85, 1.25)),
                );
            }
        }
        if ($depth === 1) {
            if ($this->random->getInt(0, 2) === 0) {
                $this->disc($tx, $ty, 9 * $size, $this->tint($this->bloom, 1.0));
            }

            return;
        }
        foreach ([-0.52, $this->between(-0.12, 0.12), 0.52] as $turn) {
            if ($turn !== 0.0 && ($depth > 2 || $this->random->getInt(0, 3) > 0)) {
                $this->branch(
                    $tx,
                    $ty,
                    $th + $turn + $this->between(-0.12, 0.12),
                    $length * $this->between(0.68, 0.82),
                    $depth - 1,
                    $size,
                );
            }
        }
    }

    private function bulb(float $x, float $y, float $size): void
    {
        for ($i = 0; $i < 9; $i++) {
            $lean = ($i / 8 - 0.5) * 1.5;
            $this->stroke(
                $this->arc(
                    $x + $lean * 30 * $size,
                    $y,
                    -M_PI / 2 + $lean * 0.4,
                    $lean * 0.5,
                    $this->between(200, 330) * $size,
                    16,
                ),
                18 * $size,
                2,
                $this->shade($this->between(0.85, 1.15)),
            );
        }
        $flowers = $this->random->getInt(3, 5);
        for ($i = 0; $i < $flowers; $i++) {
            $lean = ($i - ($flowers - 1) / 2) * 0.2;
            $path = $this->arc(
                $x + $lean * 120 * $size,
                $y,
                -M_PI / 2 + $lean,
                $lean * 0.3,
                $this->between(340, 440) * $size,
                14,
            );
            $this->stroke($path, 7 * $size, 5, $this->shade(0.9));
            [$px, $py, $heading] = $path[count($path) - 1];
            foreach ([-0.55, 0.55, -0.28, 0.28, 0.0] as $turn) {
                $this->leaf(
                    $px,
                    $py,
                    $heading + $turn,
                    92 * $size,
                    26 * $size,
                    $this->tint($this->bloom, 1.12 - abs($turn) * 0.4),
                );
            }
        }
    }

    private function climber(float $x, float $y, float $size): void
    {
        foreach ([-1, 1, 0] as $way) {
            $px = $x + $way * 46 * $size;
            $path = [];
            for ($n = 0; $n <= 40; $n++) {
                $up = $n / 40;
                $path[] = [
                    $px + sin($up * 7 + $way * 2) * 46 * $size + $way * $up * 80 * $size,
                    $y - $up * 470 * $size,
                    -M_PI / 2 + cos($up * 7 + $way * 2) * 0.6,
                ];
            }
            $this->stroke($path, 7 * $size, 2.5, [120, 102, 76]);
            foreach ($path as $n => [$lx, $ly, $heading]) {
                if ($n % 3 === 1) {
                    $this->leaf(
                        $lx,
                        $ly,
                        $heading + ($n % 2 === 0 ? -1.2 : 1.2),
                        74 * $size,
                        27 * $size,
                        $this->shade($this->between(0.85, 1.2)),
                    );
                }
                if ($n % 9 === 8) {
                    for ($p = 0; $p < 6; $p++) {
                        $this->leaf(
                            $lx,
                            $ly,
                            $p * M_PI / 3,
                            36 * $size,
                            13 * $size,
                            $this->tint($this->bloom, $p % 2 === 0 ? 1.0 : 1.1),
                        );
                    }
                    $this->disc($lx, $ly, 7 * $size, [238, 214, 140]);
                }
            }
        }
    }

    /**
     * @return non-empty-list<array{float, float, float}> points with their heading, along a curve that turns by `$turn`
     */
    private function arc(float $x, float $y, float $heading, float $turn, float $length, int $steps): array
    {
        $points = [[$x, $y, $heading]];
        for ($i = 1; $i <= $steps; $i++) {
            $heading += $turn / $steps;
            $x += cos($heading) * $length / $steps;
            $y += sin($heading) * $length / $steps;
            $points[] = [$x, $y, $heading];
        }

        return $points;
    }

    /**
     * @param  non-empty-list<array{float, float, float}>  $path
     * @param  array{int, int, int}  $colour
     */
    private function stroke(array $path, float $from, float $to, array $colour): void
    {
        $left = $right = [];
        foreach ($path as $i => [$x, $y, $heading]) {
            $half = ($from + ($to - $from) * $i / max(1, count($path) - 1)) / 2;
            $left[] = [$x + sin($heading) * $half, $y - cos($heading) * $half];
            array_unshift($right, [$x - sin($heading) * $half, $y + cos($heading) * $half]);
        }
        $this->polygon([...$left, ...$right], $colour);
    }

    /** @param  array{int, int, int}  $colour */
    private function leaf(float $x, float $y, float $heading, float $length, float $half, array $colour): void
    {
        $points = [];
        for ($i = 0; $i <= 20; $i++) {
            $t = $i <= 10 ? $i / 10 : (20 - $i) / 10;
            $side = $i <= 10 ? 1 : -1;
            $along = $t * $length;
            $across = $side * $half * sin(M_PI * $t ** 0.85);
            $points[] = [
                $x + cos($heading) * $along - sin($heading) * $across,
                $y + sin($heading) * $along + cos($heading) * $across,
            ];
        }
        $this->polygon($points, $colour);
    }

    /** @return array{int, int, int} */
    private function shade(float $by): array
    {
        return $this->tint($this->green, $by);
    }
}
