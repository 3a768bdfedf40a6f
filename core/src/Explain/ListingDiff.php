<?php

declare(strict_types=1);

namespace Wellspring\Core\Explain;

/** The changes from one listing to another: records that appear, disappear and move. */
final readonly class ListingDiff
{
    /**
     * @param  list<string>  $comes  record keys, in the order of the new listing
     * @param  list<string>  $goes  record keys, in the order of the old one
     * @param  list<string>  $moves  record keys, in the order of the new listing: the minimum number that must move so
     *   that the rest keep their order
     */
    private function __construct(public array $comes, public array $goes, public array $moves)
    {
    }

    /**
     * @param  list<string>  $before  record keys in order, none twice
     * @param  list<string>  $after
     */
    public static function between(array $before, array $after): self
    {
        $was = array_flip($before);
        $is = array_flip($after);
        $stay = array_values(array_filter($after, fn (string $key): bool => isset($was[$key])));
        $kept = self::longestRising(array_map(fn (string $key): int => $was[$key], $stay));

        return new self(
            array_values(array_filter($after, fn (string $key): bool => ! isset($was[$key]))),
            array_values(array_filter($before, fn (string $key): bool => ! isset($is[$key]))),
            array_values(array_filter($stay, fn (string $key): bool => ! isset($kept[$was[$key]]))),
        );
    }

    /**
     * The longest rising subsequence, by patience sorting (Fredman 1975).
     *
     * @param  list<int>  $numbers  none twice
     * @return array<int, true> the numbers of it, as keys
     */
    private static function longestRising(array $numbers): array
    {
        $tops = [];
        $before = [];
        foreach ($numbers as $number) {
            [$low, $high] = [0, count($tops)];
            while ($low < $high) {
                $middle = intdiv($low + $high, 2);
                $tops[$middle] < $number ? $low = $middle + 1 : $high = $middle;
            }
            $before[$number] = $low > 0 ? $tops[$low - 1] : null;
            $tops[$low] = $number;
        }
        $rising = [];
        for ($number = $tops === [] ? null : end($tops); $number !== null; $number = $before[$number]) {
            $rising[$number] = true;
        }

        return $rising;
    }
}
