<?php

declare(strict_types=1);

namespace Tests\Architecture;

/**
 * Draws the folders of the application and of core as floors, with an arrow from each folder to what it uses, read from
 * the real imports. A folder stands on the floor above everything that it uses. An arrow is left out where other arrows
 * already lead there.
 */
final class HouseDrawing
{
    public const FILE = 'docs/developers/house.svg';

    private const WIDTH = 1280;

    private const BOX = ['width' => 118, 'height' => 34];

    private const FLOOR = 60;

    /** What a reader looks for first: the folder, and what happens there. */
    private const MARKS = [
        'app Http' => '1 a request enters',
        'app Site' => '3 leaves as HTML (resources/views)',
        'app Listing' => '2 turns into SQL',
    ];

    public static function svg(): string
    {
        $parts = [];
        $top = 20;
        foreach ([
            'app' => ['The application (app/), on Laravel and PostgreSQL', Imports::php('app', 'App\\')],
            'core' => ['The rules (core/src/), in plain PHP', Imports::php('core/src', 'Wellspring\\Core\\')],
        ] as $house => [$title, $imports]) {
            [$drawn, $height] = self::house($house, $title, self::users($imports), $top);
            $parts[] = $drawn;
            $top += $height + 30;
        }
        $size = 'width="'.self::WIDTH."\" height=\"{$top}\" viewBox=\"0 0 ".self::WIDTH." {$top}\"";

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" {$size} font-family=\"sans-serif\" font-size=\"13\">\n"
            ."<title>Folders and what they use</title>\n"
            .'<defs><marker id="to" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" '
            ."orient=\"auto\"><path d=\"M0 0 8 4 0 8z\" fill=\"#5b7478\"/></marker></defs>\n"
            ."<rect width=\"100%\" height=\"100%\" fill=\"#fffefa\"/>\n"
            .implode('', $parts)."</svg>\n";
    }

    /**
     * @param  array<string, array<string, list<string>>>  $imports  see Imports::php
     * @return array<string, list<string>> what each folder uses, by folder
     */
    private static function users(array $imports): array
    {
        $users = [];
        foreach ($imports as $from => $all) {
            $users[$from] = array_map(strval(...), array_keys($all));
            foreach ($users[$from] as $to) {
                $users[$to] ??= [];
            }
        }
        ksort($users);

        return $users;
    }

    /**
     * @param  array<string, list<string>>  $users
     * @return array{string, int} the drawing and its height
     */
    private static function house(string $house, string $title, array $users, int $top): array
    {
        $floors = self::floors($users);
        $places = [];
        foreach ($floors as $floor => $folders) {
            $room = (self::WIDTH - 40) / count($folders);
            foreach ($folders as $i => $folder) {
                $places[$folder] = [
                    (int) (20 + $room * ($i + 0.5) - self::BOX['width'] / 2), $top + 44 + $floor * self::FLOOR,
                ];
            }
        }
        $height = 60 + count($floors) * self::FLOOR;
        $drawn = '<rect x="8" y="'.$top.'" width="'.(self::WIDTH - 16)."\" height=\"{$height}\" rx=\"10\" "
            ."fill=\"#f3f1e8\"/>\n<text x=\"24\" y=\"".($top + 26)."\" font-weight=\"600\">{$title}</text>\n";
        foreach ($users as $from => $all) {
            foreach (self::withoutDetours($from, $all, $users) as $to) {
                $drawn .= self::arrow($places[$from], $places[$to]);
            }
        }
        foreach ($places as $folder => $at) {
            $drawn .= self::box((string) $folder, $at, self::MARKS["{$house} {$folder}"] ?? '');
        }

        return [$drawn, $height];
    }

    /**
     * @param  array<string, list<string>>  $users
     * @return list<list<string>> the folders of each floor, the highest first
     */
    private static function floors(array $users): array
    {
        $level = [];
        $of = function (string $folder) use (&$of, &$level, $users): int {
            return $level[$folder] ??= $users[$folder] === [] ? 0 : 1 + max(array_map($of, $users[$folder]));
        };
        $floors = [];
        foreach (array_keys($users) as $folder) {
            $floors[$of((string) $folder)][] = (string) $folder;
        }
        krsort($floors);
        $floors = array_values($floors);
        // Each folder stands near the middle of those that use it, so that arrows are short.
        for ($i = 1; $i < count($floors); $i++) {
            $middle = [];
            foreach ($floors[$i] as $folder) {
                $above = [];
                foreach (array_slice($floors, 0, $i) as $row) {
                    foreach ($row as $at => $one) {
                        in_array($folder, $users[$one], true) && $above[] = ($at + 0.5) / count($row);
                    }
                }
                $middle[$folder] = $above === [] ? 0.5 : array_sum($above) / count($above);
            }
            usort($floors[$i], fn (string $a, string $b): int => [$middle[$a], $a] <=> [$middle[$b], $b]);
        }

        return $floors;
    }

    /**
     * @param  list<string>  $all  what the folder uses
     * @param  array<string, list<string>>  $users
     * @return list<string> those that no other of them leads to
     */
    private static function withoutDetours(string $from, array $all, array $users): array
    {
        $reached = [];
        $visit = function (string $folder) use (&$visit, &$reached, $users): void {
            foreach ($users[$folder] as $next) {
                if (! isset($reached[$next])) {
                    $reached[$next] = true;
                    $visit($next);
                }
            }
        };
        array_map($visit, array_filter($all, fn (string $to): bool => $to !== $from));

        return array_values(array_filter($all, fn (string $to): bool => ! isset($reached[$to])));
    }

    /**
     * @param  array{int, int}  $from
     * @param  array{int, int}  $to
     */
    private static function arrow(array $from, array $to): string
    {
        [$x1, $y1] = [$from[0] + intdiv(self::BOX['width'], 2), $from[1] + self::BOX['height']];
        [$x2, $y2] = [$to[0] + intdiv(self::BOX['width'], 2), $to[1] - 1];
        $bend = intdiv($y2 - $y1, 2);

        return "<path d=\"M{$x1} {$y1}C{$x1} ".($y1 + $bend)." {$x2} ".($y2 - $bend)." {$x2} {$y2}\" fill=\"none\" "
            ."stroke=\"#5b7478\" stroke-opacity=\"0.55\" marker-end=\"url(#to)\"/>\n";
    }

    /** @param  array{int, int}  $at */
    private static function box(string $folder, array $at, string $mark): string
    {
        [$x, $y] = $at;
        ['width' => $width, 'height' => $height] = self::BOX;
        $fill = $mark === '' ? '#ffffff' : '#d6e9e8';
        $drawn = "<rect x=\"{$x}\" y=\"{$y}\" width=\"{$width}\" height=\"{$height}\" rx=\"6\" fill=\"{$fill}\" "
            ."stroke=\"#1f6470\"/>\n<text x=\"".($x + $width / 2).'" y="'.($y + 22)
            ."\" text-anchor=\"middle\">{$folder}</text>\n";

        return $mark === '' ? $drawn : $drawn.'<text x="'.($x + $width + 8).'" y="'.($y + 22)
            ."\" fill=\"#ad4a22\" font-weight=\"600\">{$mark}</text>\n";
    }
}
