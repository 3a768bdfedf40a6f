<?php

declare(strict_types=1);

namespace Wellspring\Core\Map;

/** The outline of all land, from Natural Earth; see core/data/land.mjs. */
enum LandOutline: string
{
    /** At 1:50 million, in hundredths of a degree. */
    case Coarse = 'land.txt';

    /** At 1:10 million, in thousandths of a degree. */
    case Fine = 'land-10m.txt';

    /** Units per degree. */
    public function unit(): int
    {
        return $this === self::Coarse ? 100 : 1000;
    }

    /**
     * The rings that may reach into a window. A ring across the 180th meridian is moved next to the window.
     *
     * @return iterable<list<array{int, int}>> points of each, longitude and latitude; the last is joined to the first
     */
    public function within(int $west, int $south, int $east, int $north): iterable
    {
        $around = 360 * $this->unit();
        foreach (self::lines($this->value) as $line) {
            $bar = (int) strpos($line, '|');
            [$left, $bottom, $right, $top] = array_map(intval(...), explode(' ', substr($line, 0, $bar)));
            if ($bottom > $north || $top < $south) {
                continue;
            }
            foreach ([-$around, 0, $around] as $shift) {
                if ($left + $shift <= $east && $right + $shift >= $west) {
                    yield self::points(substr($line, $bar + 1), $shift);
                }
            }
        }
    }

    /** @return list<string> of a file; it is read once */
    private static function lines(string $file): array
    {
        /** @var array<string, list<string>> $read */
        static $read = [];

        return $read[$file] ??= file(dirname(__DIR__, 2)."/data/{$file}", FILE_IGNORE_NEW_LINES) ?: [];
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
