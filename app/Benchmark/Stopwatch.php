<?php

declare(strict_types=1);

namespace App\Benchmark;

/** Medians of repeated runs. */
final class Stopwatch
{
    private const RUNS = 7;

    private const COMPARED_RUNS = 10;

    /** Warm-up runs, which are not counted. */
    private const WARM_UP = 2;

    /** @return string in ms */
    public static function median(\Closure $work): string
    {
        $times = [];
        for ($run = 0; $run < self::RUNS; $run++) {
            $times[] = self::milliseconds($work);
        }

        return number_format(self::middle($times), 0);
    }

    /**
     * The medians of alternating runs, so that both run under the same conditions.
     *
     * @return array{string, string, string, string} what, ours and the other in ms, their ratio
     */
    public static function compare(string $what, \Closure $ours, \Closure $other): array
    {
        $times = [[], []];
        for ($run = -self::WARM_UP; $run < self::COMPARED_RUNS; $run++) {
            foreach ([$ours, $other] as $i => $work) {
                $took = self::milliseconds($work);
                if ($run >= 0) {
                    $times[$i][] = $took;
                }
            }
        }
        [$a, $b] = array_map(self::middle(...), $times);

        return [$what, number_format($a, 2), number_format($b, 2), number_format($a / $b, 2)];
    }

    public static function milliseconds(\Closure $work): float
    {
        $from = hrtime(true);
        $work();

        return (hrtime(true) - $from) / 1e6;
    }

    /** @param  array<float>  $numbers */
    public static function middle(array $numbers): float
    {
        sort($numbers);

        return $numbers[intdiv(count($numbers), 2)] ?? NAN;
    }
}
