<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The length of lines, which no formatter holds for all of them. Counted in characters: a tab is one. */
final class StyleTest extends TestCase
{
    private const COLUMNS = 120;

    /** @return iterable<string, array{string, string, string}> folder, files, and which lines are looked at */
    public static function folders(): iterable
    {
        foreach (['app', 'config', 'core', 'database', 'routes', 'tests'] as $folder) {
            yield $folder => [$folder, '/\.php$/', '/./'];
        }
        yield 'views' => ['resources/views', '/\.blade\.php$/', '/./'];
        yield 'styles' => ['resources/css', '/\.css$/', '/./'];
        yield 'bin' => ['bin', '/./', '/./'];
        // The types of the API are made by a program. Biome breaks code, but no text: class names, labels, comments.
        yield 'front end' => ['resources/js', '/(?<!schema\.d)\.tsx?$/', '#^(?!\s*// biome-ignore)#'];
    }

    #[DataProvider('folders')]
    public function test_no_line_is_longer_than_120_columns(string $folder, string $files, string $looked): void
    {
        $long = [];
        foreach (Imports::files($folder, $files) as $path => $code) {
            foreach (explode("\n", $code) as $i => $line) {
                if (mb_strlen($line) > self::COLUMNS && preg_match($looked, $line) === 1) {
                    $long[] = "{$folder}/{$path}:".($i + 1);
                }
            }
        }
        $this->assertSame([], $long);
    }

    /** More than so many files side by side are several ideas. */
    private const FILES = 20;

    /** Folders with one file for each plug-in: the folder is the list of them. */
    private const A_FILE_A_PLUGIN = ['core/src/Content/Kind', 'core/src/Filter/Test', 'core/src/Page/Block'];

    public function test_no_folder_holds_more_than_twenty_files(): void
    {
        $full = [];
        foreach (['app', 'core/src', 'resources/css', 'resources/js', 'resources/views'] as $root) {
            $folders = array_map(
                fn (string $path): string => dirname("{$root}/{$path}"),
                array_keys(Imports::files($root, '/(?<!schema\.d)\.\w+$/')),
            );
            array_push($full, ...array_keys(array_filter(
                array_count_values($folders),
                fn (int $files): bool => $files > self::FILES,
            )));
        }
        sort($full);
        $this->assertSame(self::A_FILE_A_PLUGIN, $full);
    }
}
