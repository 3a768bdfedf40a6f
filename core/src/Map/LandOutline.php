<?php

declare(strict_types=1);

namespace Wellspring\Core\Map;

/** The outline of all land, at 1:50 million (Natural Earth; see core/data/land.mjs), in hundredths of a degree. */
final class LandOutline
{
    private const AROUND = 36_000;

    /** @var list<string>|null lines of the file */
    private static ?array $lines = null;

    /**
     * The rings that may reach into a window. One that lies over the 180th meridian is given where the window is.
     *
     * @return iterable<list<array{int, int}>> points of each, longitude and latitude; the last is joined to the first
     */
    public static function within(int $west, int $south, int $east, int $north): iterable
    {
        self::$lines ??= file(dirname(__DIR__, 2).'/data/land.txt', FILE_IGNORE_NEW_LINES) ?: [];
        foreach (self::$lines as $line) {
            [$bounds, $steps] = explode('|', $line);
            [$left, $bottom, $right, $top] = array_map(intval(...), explode(' ', $bounds));
            if ($bottom > $north || $top < $south) {
                continue;
            }
            foreach ([-self::AROUND, 0, self::AROUND] as $shift) {
                if ($left + $shift <= $east && $right + $shift >= $west) {
                    yield self::points($steps, $shift);
                }
            }
        }
    }

    /** @return list<array{int, int}> */
    private static function points(string $steps, int $shift): array
    {
        $numbers = explode(' ', $steps);
        [$x, $y, $points] = [$shift, 0, []];
        for ($i = 0; $i + 1 < count($numbers); $i += 2) {
            $x += (int) $numbers[$i];
            $y += (int) $numbers[$i + 1];
            $points[] = [$x, $y];
        }

        return $points;
    }
}
