<?php

declare(strict_types=1);

namespace App\Benchmark;

/** Served pages, beside a bare route of the framework and a static file. */
final class ServedPagesBenchmark implements Benchmark
{
    private const BARE = 'a bare route of the framework';

    private const FILE = 'a static file';

    /** The number of rounds, with all addresses in turn; the median counts. */
    private const ROUNDS = 3;

    public function measure(BenchmarkSite $site): iterable
    {
        if ($site->url === '') {
            return;
        }
        $loads = [];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            foreach (self::pages($site) as $what => [$path, $requests, $headers]) {
                $loads[$what][] = LoadTest::of($site->url.$path, $requests, $headers);
            }
        }
        $rates = $medians = [];
        foreach ($loads as $what => $rounds) {
            $rates[$what] = Stopwatch::middle(array_column($rounds, 'perSecond'));
            $medians[$what] = Stopwatch::middle(array_column($rounds, 'median'));
        }
        yield new BenchmarkTable(
            ['page', 'a second', 'of a bare route', 'median ms', 'of a bare route', 'of a static file'],
            array_map(fn (string $what): array => [
                $what,
                number_format($rates[$what], 0),
                number_format($rates[$what] / $rates[self::BARE], 2),
                number_format($medians[$what], 2),
                number_format($medians[$what] / $medians[self::BARE], 2),
                number_format($medians[$what] / $medians[self::FILE], 1),
            ], array_keys($loads)),
        );
    }

    /** @return array<string, array{string, int, list<string>}> path, requests of a round, headers */
    private static function pages(BenchmarkSite $site): array
    {
        // Answers for scripts are not cached.
        $anew = ['X-Requested-With: bench'];

        return [
            self::BARE => ['/up', 400, []],
            self::FILE => ['/wellspring.svg', 8000, []],
            'a picture that everybody may see' => [$site->picture, 6000, []],
            'a listing of 24 cards, kept' => ['/bench-newest', 6000, []],
            'the same, made anew' => ['/bench-newest', 120, $anew],
            'filtered, made anew' => ['/bench-filtered', 120, $anew],
            'five filters, two chosen, kept' => [
                '/bench-choices?choices-light=half-shade,shade&choices-price=5..20', 6000, [],
            ],
            'three modules and a frame of six, made anew' => ['/bench-three', 120, $anew],
        ];
    }
}
